package fairkettle.clinic;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;

/** The figures the clinic starts from: priors, likelihoods and effects, each beside its reason, from one text. */
public final class Table {

    private final Map<String, double[]> figures;
    private final Map<String, String> reasons;

    private Table(Map<String, double[]> figures, Map<String, String> reasons) {
        this.figures = figures;
        this.reasons = reasons;
    }

    /** The one that ships. */
    public static final Table USUAL = of(UsualTable.TEXT);

    /** @throws IllegalArgumentException naming the line that cannot be understood */
    static Table of(String text) {
        var figures = new LinkedHashMap<String, double[]>();
        var reasons = new LinkedHashMap<String, String>();
        var group = "";
        for (var line : text.lines().toList()) {
            if (line.startsWith("# ----")) {
                group = line.substring(6).strip();
            }
            if (line.isBlank() || line.startsWith("#")) {
                continue;
            }
            int equals = line.indexOf('=');
            int bar = line.indexOf('|');
            if (equals < 0 || bar < equals) {
                throw new IllegalArgumentException("Not “key = figures | reason”: " + line);
            }
            var key = line.substring(0, equals).strip();
            var numbers = line.substring(equals + 1, bar).strip().split(" +");
            var values = new double[numbers.length];
            for (int i = 0; i < values.length; i++) {
                values[i] = Double.parseDouble(numbers[i]);
            }
            if (figures.put(key, values) != null) {
                throw new IllegalArgumentException("Twice in the table: " + key);
            }
            var why = line.substring(bar + 1).strip();
            reasons.put(key, why.isEmpty() ? group : why);
        }
        return new Table(figures, reasons);
    }

    /** @throws IllegalArgumentException for a key that is not in it */
    double[] row(String key) {
        var row = figures.get(key);
        if (row == null) {
            throw new IllegalArgumentException("The table has no row " + key);
        }
        return row;
    }

    double one(String key) {
        return row(key)[0];
    }

    /** The figures of a row. @throws IllegalArgumentException for a key that is not in it */
    public List<Double> figures(String key) {
        return Arrays.stream(row(key)).boxed().toList();
    }

    /** Why a figure is what it is. */
    public String reason(String key) {
        return reasons.getOrDefault(key, "");
    }

    public Map<String, String> reasons() {
        return reasons;
    }

    /**
     * The same table with other figures: what a shop learned, or a table that is wrong on purpose. @param change from
     * key and figures to figures
     */
    public Table with(BiFunction<String, double[], double[]> change) {
        var other = new HashMap<String, double[]>();
        figures.forEach((key, row) -> other.put(key, change.apply(key, row.clone())));
        return new Table(other, reasons);
    }
}
