package org.skelda.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.skelda.app.departure.Departures;
import org.skelda.app.departure.LogEvent;
import org.skelda.app.problem.Problem;
import org.skelda.core.kind.LineRef;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.security.test.context.support.WithMockUser;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The committed OpenAPI document is the one the code gives; run with -Dskelda.openapi.write=true to renew it. */
@ServerTest
@TestPropertySource(properties = "springdoc.paths-to-match=/api/**")
@AutoConfigureMockMvc
@Import(OpenApiTest.Records.class)
class OpenApiTest {
    private static final Path COMMITTED = Path.of("src/main/resources/openapi/openapi.json");
    private static final JsonMapper PRETTY = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT, SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    @TestConfiguration
    static class Records {
        static {
            SpringDocUtils.getConfig()
                    .replaceWithSchema(LineRef.class, new StringSchema().description("A line, as procedure/line."));
        }

        /** What streams and failures carry, which no method's signature names. */
        @Bean
        OpenApiCustomizer streamAndProblems() {
            return document -> {
                for (Class<?> type :
                        List.of(LogEvent.class, Departures.Heartbeat.class, Problem.Violation.class, Problem.class)) {
                    ModelConverters.getInstance()
                            .read(new AnnotatedType(type))
                            .forEach((name, schema) -> document.getComponents()
                                    .addSchemas(name, schema.required(RequiredComponents.required(type))));
                }
                document.getPaths()
                        .get("/api/departures/{id}/events")
                        .getGet()
                        .getResponses()
                        .get("200")
                        .getContent()
                        .get("application/json")
                        .setSchema(new ArraySchema().items(new Schema<>().$ref("#/components/schemas/LogEvent")));
            };
        }

        /**
         * A command is one of the leaves of its sealed type, told apart by {@code ask}; the families between them are
         * no matter of the wire.
         */
        @Bean
        OpenApiCustomizer commands() throws ClassNotFoundException {
            Class<?> command = Class.forName("org.skelda.app.departure.CommandRequest");
            return document -> {
                Map<String, Schema> schemas = document.getComponents().getSchemas();
                Schema<?> anyOfThem = new Schema<>().discriminator(new Discriminator().propertyName("ask"));
                for (Class<?> family : subtypes(command)) {
                    schemas.remove(family.getSimpleName());
                    for (Class<?> leaf : subtypes(family)) {
                        String ask = leaf.getAnnotation(JsonTypeName.class).value();
                        Schema<?> own = (Schema<?>)
                                schemas.get(leaf.getSimpleName()).getAllOf().getLast();
                        own.addProperty("ask", new StringSchema().addEnumItem(ask));
                        own.setRequired(Stream.concat(Stream.of("ask"), RequiredComponents.required(leaf).stream())
                                .sorted()
                                .toList());
                        schemas.put(leaf.getSimpleName(), own);
                        String ref = "#/components/schemas/" + leaf.getSimpleName();
                        anyOfThem.addOneOfItem(new Schema<>().$ref(ref));
                        anyOfThem.getDiscriminator().mapping(ask, ref);
                    }
                }
                schemas.put(command.getSimpleName(), anyOfThem);
                document.getPaths()
                        .get("/api/departures/{id}/commands")
                        .getPost()
                        .getRequestBody()
                        .getContent()
                        .get("application/json")
                        .setSchema(new Schema<>().$ref("#/components/schemas/" + command.getSimpleName()));
            };
        }

        private static List<Class<?>> subtypes(Class<?> type) {
            return Arrays.stream(type.getAnnotation(JsonSubTypes.class).value())
                    .<Class<?>>map(JsonSubTypes.Type::value)
                    .toList();
        }

        @Bean
        ModelConverter requiredComponents() {
            return new RequiredComponents();
        }
    }

    /** A record's component is required unless it is marked as nullable. */
    static class RequiredComponents implements ModelConverter {
        @Override
        public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            JavaType java = Json.mapper().constructType(type.getType());
            if (java != null && java.getRawClass().isRecord() && schema != null) {
                Schema<?> defined = schema.get$ref() == null
                        ? schema
                        : context.getDefinedModels()
                                .get(schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1));
                if (defined != null) {
                    defined.setRequired(required(java.getRawClass()));
                }
            }
            return schema;
        }

        private static List<String> required(Class<?> record) {
            return Arrays.stream(record.getRecordComponents())
                    .filter(component -> !component.getAnnotatedType().isAnnotationPresent(Nullable.class))
                    .map(RecordComponent::getName)
                    .sorted()
                    .toList();
        }
    }

    @Autowired
    private MockMvc mvc;

    @Test
    @WithMockUser
    void theCommittedDocumentIsWhatTheCodeGives() throws Exception {
        String given =
                mvc.perform(get("/v3/api-docs")).andReturn().getResponse().getContentAsString();
        JsonNode tree = PRETTY.readTree(given);
        ((tools.jackson.databind.node.ObjectNode) tree).remove("servers");
        ((tools.jackson.databind.node.ObjectNode) tree)
                .putObject("info")
                .put("title", "Skelda")
                .put("version", "1");
        String sorted = PRETTY.writeValueAsString(sorted(tree)) + "\n";
        if (Boolean.getBoolean("skelda.openapi.write")) {
            Files.writeString(COMMITTED, sorted);
        }
        assertThat(Files.readString(COMMITTED))
                .as("run the test with -Dskelda.openapi.write=true and commit the document")
                .isEqualTo(sorted);
    }

    private static Object sorted(JsonNode node) {
        if (node.isObject()) {
            Map<String, Object> map = new TreeMap<>();
            node.properties().forEach(entry -> map.put(entry.getKey(), sorted(entry.getValue())));
            return map;
        }
        return node.isArray() ? node.values().stream().map(OpenApiTest::sorted).toList() : node;
    }
}
