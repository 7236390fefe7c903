package fairkettle.server.bringin;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a file can bring, and the columns it has. */
enum FileKind {
    MACHINES(
            1000,
            Column.must("name", 40, "machine"),
            Column.must("bench", 40, "place"),
            Column.must("profile", 60, "like"),
            Column.may("holds", 40, "ink"),
            Column.may("make", 60),
            Column.may("level", 10, "full", "tanks")),
    BOTTLES(
            2000,
            Column.must("family", 40, "ink"),
            Column.may("channel", 10, "colour", "color"),
            Column.must("make", 60),
            Column.must("code", 60, "lot"),
            Column.must("volume", 20, "volumeml", "ml"),
            Column.may("price", 20),
            Column.may("bestbefore", 20, "expires"),
            Column.may("foodgrade", 5, "food")),
    READINGS(
            20_000,
            Column.must("at", 40, "time", "date", "when"),
            Column.must("celsius", 20, "temperature", "temperaturec", "c"),
            Column.must("humidity", 20, "rh", "relativehumidity")),
    NOTES(
            2000,
            Column.must("at", 40, "date", "when", "day"),
            Column.may("machine", 40, "printer"),
            Column.must("words", 500, "note", "text"));

    /**
     * @param name of the column, in small letters without anything else
     * @param longest letters in a field of it
     * @param also other headings that mean the same
     */
    record Column(String name, boolean needed, int longest, List<String> also) {

        private static Column must(String name, int longest, String... also) {
            return new Column(name, true, longest, List.of(also));
        }

        private static Column may(String name, int longest, String... also) {
            return new Column(name, false, longest, List.of(also));
        }

        private boolean headed(String heading) {
            var letters = heading.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z]", "");
            return name.equals(letters) || also.contains(letters);
        }
    }

    private final int most;
    private final List<Column> columns;

    FileKind(int most, Column... columns) {
        this.most = most;
        this.columns = List.of(columns);
    }

    /** Rows at once. */
    int most() {
        return most;
    }

    List<Column> columns() {
        return columns;
    }

    Optional<Column> headed(String heading) {
        return columns.stream().filter(c -> c.headed(heading)).findFirst();
    }

    /** The headings that a file has to have, as one would write them. */
    String wanted() {
        return columns.stream().filter(Column::needed).map(Column::name).collect(Collectors.joining(", "));
    }
}
