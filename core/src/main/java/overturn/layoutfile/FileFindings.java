package overturn.layoutfile;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import java.util.ArrayList;
import java.util.List;
import overturn.layoutfile.RefusedLayoutException.Refusal;
import overturn.quantity.PlainText;
import tools.jackson.databind.JsonNode;

/** What keeps a JSON file from being taken: texts and numbers that cannot be kept, and whatever its schema refuses. */
public final class FileFindings {

    /** Characters of what was given that a refusal repeats; chosen. */
    private static final int MOST_SHOWN = 60;

    /** Greatest number that is read at all; chosen, beyond any size. */
    private static final int MOST_NUMBER = 1_000_000_000;

    private FileFindings() {}

    /** Every finding, the field by its place in the file; what cannot be kept goes before what the schema refuses. */
    public static List<Refusal> of(Schema schema, JsonNode tree) {
        List<Refusal> refusals = new ArrayList<>();
        refuseUnkeepable(tree, "", refusals);
        return refusals.isEmpty()
                ? schema.validate(tree).stream().map(FileFindings::refusal).toList()
                : refusals;
    }

    /** A text as a refusal repeats it. */
    public static String shortened(String given) {
        return given.length() <= MOST_SHOWN ? given : given.substring(0, MOST_SHOWN) + "…";
    }

    private static Refusal refusal(Error error) {
        String where =
                error.getInstanceLocation().toString().replaceFirst("^/", "").replace('/', '.');
        JsonNode given = error.getInstanceNode();
        return new Refusal(
                where,
                given == null || given.isContainer() ? "" : shortened(given.asString()),
                error.getMessage().replaceFirst("^[^:]*: ", ""));
    }

    /**
     * Names every number that nothing comes near, and every text that cannot be kept, before anything else reads them.
     */
    private static void refuseUnkeepable(JsonNode node, String where, List<Refusal> refusals) {
        if (node.isNumber() && !(Math.abs(node.doubleValue(Double.NaN)) <= MOST_NUMBER)) {
            refusals.add(new Refusal(
                    where, shortened(node.asString()), "a number between " + -MOST_NUMBER + " and " + MOST_NUMBER));
        } else if (node.isString() && !PlainText.keeps(node.stringValue())) {
            refusals.add(new Refusal(where, "", PlainText.ALLOWED));
        }
        String inside = where.isEmpty() ? "" : where + ".";
        for (int i = 0; node.isArray() && i < node.size(); i++) {
            refuseUnkeepable(node.get(i), inside + i, refusals);
        }
        if (node.isObject()) {
            node.properties().forEach(property -> {
                if (!PlainText.keeps(property.getKey())) {
                    refusals.add(new Refusal(where, "", "names of " + PlainText.ALLOWED));
                }
                refuseUnkeepable(property.getValue(), inside + property.getKey(), refusals);
            });
        }
    }
}
