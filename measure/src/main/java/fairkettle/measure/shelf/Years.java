package fairkettle.measure.shelf;

import fairkettle.books.Forecast;
import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * Years of articles that nobody made up one by one: what is used on a working day, how often, how it swings over the
 * year, how it grows, and the weeks of fairs, all drawn anew for each.
 */
final class Years {

    private static final int PAST = 7 * 26;
    private static final int YEAR = 364;
    private static final int COVER = 56; // days that an order is meant to last

    private int ranges;
    private int held;
    private int articles;
    private int ranOut;

    /** One article, half a year to learn from and a year to be foretold. */
    void live(SplittableRandom dice) {
        articles++;
        var days = days(dice);
        for (int day = PAST; day + 42 < days.length; day += 28) {
            var forecast = Forecast.learned(Arrays.copyOf(days, day));
            for (int ahead : new int[] {7, 14, 28, 42}) {
                double came = Arrays.stream(days, day, day + ahead).sum();
                var range = forecast.use(ahead);
                ranges++;
                held += came >= range.low() - 1e-9 && came <= range.high() + 1e-9 ? 1 : 0;
            }
        }
        ranOut += ranOut(days, dice.nextInt(3, 22));
    }

    /**
     * Ordered whenever the forecast says so, for eight weeks; comes after exactly its lead. @return how often it was
     * gone
     */
    private static int ranOut(double[] days, int lead) {
        double stock = Forecast.learned(Arrays.copyOf(days, PAST)).enough(lead, COVER);
        double coming = 0;
        int comes = -1;
        int gone = 0;
        for (int day = PAST; day < days.length; day++) {
            if (day == comes) {
                stock += coming;
                comes = -1;
            }
            if (comes < 0) {
                var forecast = Forecast.learned(Arrays.copyOf(days, day));
                if (forecast.orderIn(stock, lead) <= 0) {
                    coming = Math.max(0, forecast.enough(lead, COVER) - stock);
                    comes = day + lead;
                }
            }
            boolean there = stock > 0;
            stock -= days[day];
            if (stock < 0 && there) {
                gone++;
            }
            stock = Math.max(0, stock);
        }
        return gone;
    }

    private static double[] days(SplittableRandom dice) {
        double size = Math.exp(dice.nextDouble(-1, 3));
        double often = dice.nextDouble(0.15, 0.95);
        double swing = dice.nextDouble(0, 0.5);
        double turn = dice.nextDouble(0, 2 * Math.PI);
        double growth = dice.nextDouble(-0.3, 0.5);
        double spread = dice.nextDouble(0.2, 1);
        double fairs = dice.nextDouble(0, 0.04); // a week
        var days = new double[PAST + YEAR];
        double fair = 1;
        for (int day = 0; day < days.length; day++) {
            if (day % 7 == 0) {
                fair = dice.nextDouble() < fairs ? dice.nextDouble(1.5, 3) : 1;
            }
            if (day % 7 < 5 && dice.nextDouble() < often) {
                double season = 1 + swing * Math.sin(turn + 2 * Math.PI * day / YEAR);
                double grown = 1 + growth * day / YEAR;
                days[day] = size * season * grown * fair * Math.exp(spread * dice.nextGaussian());
            }
        }
        return days;
    }

    double covered() {
        return held / (double) ranges;
    }

    int articles() {
        return articles;
    }

    int ranOut() {
        return ranOut;
    }
}
