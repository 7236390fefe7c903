package fairkettle.server.papers;

import fairkettle.changeover.Plan;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Card;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.web.Problem;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The open formats, as docs/formats.md describes them: versioned JSON for plan and card, CSV for quantities. */
final class Files {

    static final int VERSION = 1;
    static final String PLAN = "fair-kettle/plan";
    static final String CARD = "fair-kettle/card";
    private static final String[] COLUMNS = {
        "slot_now",
        "slot_then",
        "doing",
        "holds_mL",
        "draw_out_mL",
        "rinse_mL",
        "chaser_mL",
        "fill_mL",
        "top_up_mL",
        "commissioning_mL",
        "reserve_mL",
        "needed_mL",
        "sheets",
        "residue"
    };

    private Files() {}

    /** @param profile by name, for people; the wish is what brings the plan back */
    record PlanFile(
            String format,
            int version,
            Instant made,
            String machine,
            String profile,
            Changeovers.Wish wish,
            String route,
            List<Quantity> quantities,
            String cost) {
        static PlanFile of(String machine, String profile, Changeovers.Wish wish, Plan plan, Instant now) {
            return new PlanFile(
                    PLAN,
                    VERSION,
                    now,
                    machine,
                    profile,
                    wish,
                    plan.route().name(),
                    Files.quantities(plan),
                    plan.total().toString());
        }
    }

    record Quantity(
            ChannelCode slotNow,
            ChannelCode slotThen,
            String doing,
            Millilitres holds,
            Millilitres drawOut,
            Millilitres rinse,
            Millilitres chaser,
            Millilitres fill,
            Millilitres topUp,
            Millilitres commissioning,
            Millilitres reserve,
            Millilitres needed,
            int sheets,
            double residue) {}

    record CardFile(
            String format,
            int version,
            Instant made,
            String machine,
            String title,
            Family family,
            String make,
            Instant createdAt,
            @Nullable Instant finishedAt,
            JsonNode summary,
            Card card) {}

    static List<Quantity> quantities(Plan plan) {
        return plan.channels().stream()
                .map(c -> new Quantity(
                        c.before(),
                        c.code(),
                        c.doing().name(),
                        c.holds(),
                        c.pulls().volume().plus(c.damper()),
                        c.rinseLiquid(),
                        c.chaser(),
                        c.fill(),
                        c.topUp(),
                        c.commissioning(),
                        c.reserve(),
                        c.needed(),
                        c.sheets(),
                        c.residue()))
                .toList();
    }

    static String csv(List<Quantity> quantities) {
        var out = new StringBuilder();
        try (var printer = new CSVPrinter(
                out, CSVFormat.RFC4180.builder().setHeader(COLUMNS).get())) {
            for (var q : quantities) {
                printer.printRecord(
                        q.slotNow(),
                        q.slotThen(),
                        q.doing(),
                        q.holds(),
                        q.drawOut(),
                        q.rinse(),
                        q.chaser(),
                        q.fill(),
                        q.topUp(),
                        q.commissioning(),
                        q.reserve(),
                        q.needed(),
                        q.sheets(),
                        q.residue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** @throws Problem naming the line that cannot be read */
    static List<Quantity> readCsv(String text) {
        try (var parser = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .get()
                .parse(new StringReader(text))) {
            if (!parser.getHeaderNames().containsAll(List.of(COLUMNS))) {
                throw Problem.refused(
                        "This is no table of quantities: its first line must name %s."
                                .formatted(String.join(", ", COLUMNS)),
                        List.of());
            }
            return parser.stream()
                    .map(row -> {
                        try {
                            return new Quantity(
                                    ChannelCode.of(row.get("slot_now")),
                                    ChannelCode.of(row.get("slot_then")),
                                    row.get("doing"),
                                    volume(row.get("holds_mL")),
                                    volume(row.get("draw_out_mL")),
                                    volume(row.get("rinse_mL")),
                                    volume(row.get("chaser_mL")),
                                    volume(row.get("fill_mL")),
                                    volume(row.get("top_up_mL")),
                                    volume(row.get("commissioning_mL")),
                                    volume(row.get("reserve_mL")),
                                    volume(row.get("needed_mL")),
                                    Integer.parseInt(row.get("sheets")),
                                    Double.parseDouble(row.get("residue")));
                        } catch (IllegalArgumentException e) {
                            throw Problem.refused(
                                    "Line %d of the table cannot be read: %s"
                                            .formatted(row.getRecordNumber() + 1, e.getMessage()),
                                    List.of());
                        }
                    })
                    .toList();
        } catch (IOException | UncheckedIOException e) {
            throw Problem.refused("This is no table that can be read: quotation marks do not close.", List.of());
        }
    }

    private static Millilitres volume(String text) {
        return Millilitres.parse(text);
    }

    /** @throws Problem if it is of another kind, or newer than this program knows */
    static <T> T read(JsonMapper json, byte[] file, String format, Class<T> type) {
        try {
            var tree = json.readTree(file);
            if (!format.equals(tree.path("format").asString(""))) {
                throw Problem.refused(
                        "This file is not a %s.".formatted(format.equals(PLAN) ? "plan" : "card"), List.of());
            }
            if (tree.path("version").asInt(0) > VERSION) {
                throw Problem.refused(
                        "This file was made by a newer program (format %d; here %d). Bring this one up to date first."
                                .formatted(tree.path("version").asInt(0), VERSION),
                        List.of());
            }
            for (var field : format.equals(PLAN)
                    ? List.of("wish", "quantities")
                    : List.of("card", "createdAt", "summary", "title", "family", "make")) {
                if (!tree.hasNonNull(field)) {
                    throw Problem.refused("This file cannot be read: it has no “%s”.".formatted(field), List.of());
                }
            }
            return json.treeToValue(tree, type);
        } catch (JacksonException e) {
            throw Problem.refused("This file cannot be read: it is not JSON, or was changed by hand.", List.of());
        }
    }

    static String formatOf(JsonMapper json, byte[] file) {
        try {
            return json.readTree(file).path("format").asString("");
        } catch (JacksonException _) {
            return "";
        }
    }
}
