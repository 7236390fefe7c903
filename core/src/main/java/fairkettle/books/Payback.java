package fairkettle.books;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The same sheets got in several ways: what each asks for at once, what it costs by the month, and when it has paid for
 * itself against another. Sums are exact; a wait is rounded up.
 */
public final class Payback {

    private static final int YEAR = 12;
    private static final int TENTHS = 10; // of months

    private Payback() {}

    /** @param minor in minor units */
    public record Outlay(String what, long minor) {
        public Outlay {
            if (minor < 0) {
                throw new IllegalArgumentException("What is paid at once (%s) is not below nothing.".formatted(what));
            }
        }
    }

    /**
     * @param once what is bought before the first sheet
     * @param perSheet thousandths of a minor unit: ink, paper and what else goes with each
     * @param perMonth thousandths of a minor unit, whatever is printed
     * @param minutes of refilling for a month’s sheets
     * @param days until the first sheet is there
     */
    public record Way(
            String label, List<Outlay> once, long perSheet, long perMonth, double minutes, int days, String basis) {
        public Way {
            once = List.copyOf(once);
        }

        long atOnce() {
            return once.stream().mapToLong(Outlay::minor).sum();
        }
    }

    /**
     * A way at so many sheets a month.
     *
     * @param once minor units, before the first sheet; {@code perMonth} likewise, rounded
     * @param tenths of months after which it has cost less than the other; 0 from the first, null never
     * @param sheets until then
     * @param ahead tenths of months for which it has cost less, and then never again; null where it is not so
     * @param year everything paid after twelve months, minor units; {@code threeYears} likewise
     */
    public record Line(
            Way way,
            long once,
            long perMonth,
            @Nullable Long tenths,
            @Nullable Long sheets,
            @Nullable Long ahead,
            long year,
            long threeYears) {}

    /**
     * @param labour thousandths of a minor unit for a minute of hands
     * @param against the way that the others are held against
     */
    public static List<Line> of(List<Way> ways, int sheets, long labour, Way against) {
        if (sheets < 1) {
            throw new IllegalArgumentException("At least one sheet a month.");
        }
        long other = aMonth(against, sheets, labour);
        var lines = new ArrayList<Line>();
        for (var way : ways) {
            long month = aMonth(way, sheets, labour);
            long more = (way.atOnce() - against.atOnce()) * 1000;
            long saved = other - month;
            Long tenths = null;
            Long until = null;
            Long ahead = null;
            if (more <= 0 && saved >= 0) {
                tenths = 0L;
                until = 0L;
            } else if (more > 0 && saved > 0) {
                tenths = Math.ceilDiv(more * TENTHS, saved);
                until = Math.ceilDiv(more * sheets, saved);
            } else if (more < 0 && saved < 0) {
                ahead = Math.floorDiv(more * TENTHS, saved);
            }
            lines.add(new Line(
                    way,
                    way.atOnce(),
                    rounded(month),
                    tenths,
                    until,
                    ahead,
                    way.atOnce() + rounded(month * YEAR),
                    way.atOnce() + rounded(month * YEAR * 3)));
        }
        return List.copyOf(lines);
    }

    private static long aMonth(Way way, int sheets, long labour) {
        return way.perSheet() * sheets + way.perMonth() + Math.round(way.minutes() * labour);
    }

    private static long rounded(long thousandths) {
        return Math.floorDiv(thousandths + 500, 1000);
    }
}
