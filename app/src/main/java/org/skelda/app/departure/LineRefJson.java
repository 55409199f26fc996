package org.skelda.app.departure;

import org.skelda.core.procedure.LineRef;
import org.springframework.boot.jackson.JacksonComponent;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;

/** A line's name is written as one text. */
@JacksonComponent
class LineRefJson extends ValueSerializer<LineRef> {
    @Override
    public void serialize(LineRef value, JsonGenerator generator, SerializationContext context) {
        generator.writeString(value.toString());
    }
}
