package fairkettle.round;

/** Plans a day: at once with {@link #first}, and better with {@link #better}. */
public final class RoundPlanner {

    private RoundPlanner() {}

    /**
     * A good plan within milliseconds, by dispatching in several manners; where there was a plan before, that plan
     * closed up.
     */
    public static Plan first(Day day) {
        var search = new Search(new Layout(day), Effort.placements(Long.MAX_VALUE, 1));
        search.first();
        return search.best();
    }

    /**
     * Points that no plan can avoid, promises aside: what every chain would cost if it were alone and began at once.
     */
    public static long floor(Day day) {
        return new Layout(day).floors;
    }

    /** The best plan that is found with an effort. */
    public static Plan better(Day day, Effort effort) {
        var search = new Search(new Layout(day), effort);
        search.run();
        return search.best();
    }
}
