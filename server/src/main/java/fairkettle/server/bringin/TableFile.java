package fairkettle.server.bringin;

import fairkettle.server.web.Problem;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;

/**
 * A table as any program saves one: commas, semicolons or tabs between the fields, quotes round them or not, a byte
 * order mark or none; the first line names the columns.
 */
final class TableFile {

    private static final int LONGEST_HEADING = 2000;

    private TableFile() {}

    /** @param number of the row, counted below the heading from 1 */
    record Row(int number, Map<String, String> fields) {

        String get(String column) {
            return fields.getOrDefault(column, "");
        }
    }

    /** @throws Problem at the field {@code text} if it is no such table */
    static List<Row> rows(FileKind kind, String text) {
        var table = text.startsWith("\ufeff") ? text.substring(1) : text;
        var heading = table.lines().findFirst().orElse("");
        if (heading.isBlank() || heading.length() > LONGEST_HEADING) {
            throw none("Its first line must name the columns: %s.".formatted(kind.wanted()));
        }
        var format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator(heading))
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (var parser = format.parse(new StringReader(table))) {
            var records = parser.iterator();
            var columns = columns(kind, records.next().toList());
            var rows = new ArrayList<Row>();
            while (records.hasNext()) {
                var record = records.next();
                if (rows.size() >= kind.most()) {
                    throw none("At most %d rows at once: split the file.".formatted(kind.most()));
                }
                var fields = new HashMap<String, String>();
                columns.forEach((place, column) -> {
                    if (place < record.size()) {
                        fields.put(column.name(), record.get(place));
                    }
                });
                rows.add(new Row(rows.size() + 1, fields));
            }
            return rows;
        } catch (CSVException e) {
            throw none("This is no table: %s".formatted(e.getMessage()));
        } catch (UncheckedIOException | IllegalStateException | IllegalArgumentException | IOException e) {
            throw none("This is no table: a quotation mark is not closed, or it is no text.");
        }
    }

    private static char separator(String heading) {
        char best = ',';
        for (char mark : new char[] {';', '\t'}) {
            if (heading.chars().filter(c -> c == mark).count()
                    > heading.chars().filter(c -> c == ',').count()) {
                best = mark;
            }
        }
        return best;
    }

    private static Map<Integer, FileKind.Column> columns(FileKind kind, List<String> headings) {
        var columns = new HashMap<Integer, FileKind.Column>();
        for (int place = 0; place < headings.size(); place++) {
            var column = kind.headed(headings.get(place)).orElse(null);
            if (column != null && !columns.containsValue(column)) {
                columns.put(place, column);
            }
        }
        var missing = kind.columns().stream()
                .filter(c -> c.needed() && !columns.containsValue(c))
                .map(FileKind.Column::name)
                .toList();
        if (!missing.isEmpty()) {
            throw none("Its first line must name the columns %s; missing: %s."
                    .formatted(kind.wanted(), String.join(", ", missing)));
        }
        return columns;
    }

    private static Problem none(String why) {
        return Problem.atField("text", why);
    }
}
