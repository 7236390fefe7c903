package fairkettle.machine;

/** Screws of one kind that come out together, and go back in as many. @param which "cover screws", "the tiny one" */
public record Screws(String which, int count) {

    public Screws {
        if (which.isBlank() || count < 1 || count > 60) {
            throw new IllegalArgumentException("Screws: say which, and how many: 1 to 60.");
        }
    }
}
