package overturn.app.config;

import overturn.quantity.PlainText;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.exc.InvalidFormatException;

/** Reads texts of a body; refuses those that cannot be kept. */
final class PlainTextReader extends StdScalarDeserializer<String> {

    PlainTextReader() {
        super(String.class);
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
        if (parser.currentToken() != JsonToken.VALUE_STRING) {
            return (String) context.handleUnexpectedToken(context.constructType(String.class), parser);
        }
        String text = parser.getString();
        if (!PlainText.keeps(text)) {
            throw InvalidFormatException.from(
                    parser, "a text cannot be kept; allowed is " + PlainText.ALLOWED, "", String.class);
        }
        return text;
    }
}
