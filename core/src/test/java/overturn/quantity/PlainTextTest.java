package overturn.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.xml.sax.SAXException;

class PlainTextTest {

    @ParameterizedTest
    @ValueSource(strings = {"", "ramp", "lamp 🔦", "line\nbreak", "½ in"})
    void ordinaryTextIsKept(String text) {
        assertTrue(PlainText.keeps(text));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\u0000",
                "a\u0000b",
                "\u0001",
                "\u0008",
                "\u000b",
                "\u001b[2J",
                "\ufffe",
                "\uffff",
                "\ud800",
                "x\udc00",
                "\udd26\ud83d",
                "🔦\ud83d"
            })
    void controlCharactersAndHalvesOfPairsAreNot(String text) {
        assertFalse(PlainText.keeps(text));
        assertTrue(PlainText.keeps(PlainText.of(text)));
    }

    /** What is kept is what an XML 1.0 parser of another's reads back from UTF-8 unchanged, line ends apart. */
    @Property(seed = "20261127")
    void keptTextSurvivesXml(@ForAll String text) {
        assertEquals(
                readsBack(text),
                PlainText.keeps(text),
                () -> text.codePoints().mapToObj(Integer::toHexString).toList().toString());
    }

    private static boolean readsBack(String text) {
        String inert =
                text.replace("&", "+").replace("<", "+").replace(">", "+").replace('\r', ' ');
        byte[] xml = ("<?xml version='1.0' encoding='UTF-8'?><t>" + inert + "</t>").getBytes(StandardCharsets.UTF_8);
        try {
            DocumentBuilder parser = DocumentBuilderFactory.newInstance().newDocumentBuilder();
            parser.setErrorHandler(null);
            return parser.parse(new ByteArrayInputStream(xml))
                    .getDocumentElement()
                    .getTextContent()
                    .equals(inert);
        } catch (SAXException e) {
            return false;
        } catch (IOException | ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }
}
