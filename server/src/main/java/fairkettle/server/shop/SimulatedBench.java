package fairkettle.server.shop;

/** The machines of a demo, which are simulated; a shop of one's own has none. */
public interface SimulatedBench {

    /** Where its page is. */
    String url();
}
