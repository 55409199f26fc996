package org.skelda.app.departure;

import org.skelda.core.kind.LineRef;
import org.springframework.boot.jackson.JacksonComponent;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

/** A line's name is written, and read, as one text. */
@JacksonComponent
class LineRefJson {

    /** To text. */
    static class Writer extends ValueSerializer<LineRef> {
        @Override
        public void serialize(LineRef value, JsonGenerator generator, SerializationContext context) {
            generator.writeString(value.toString());
        }
    }

    /** From text. */
    static class Reader extends ValueDeserializer<LineRef> {
        @Override
        public LineRef deserialize(JsonParser parser, DeserializationContext context) {
            String text = parser.getValueAsString("");
            try {
                return LineRef.parse(text);
            } catch (IllegalArgumentException e) {
                return (LineRef) context.handleWeirdStringValue(LineRef.class, text, String.valueOf(e.getMessage()));
            }
        }
    }
}
