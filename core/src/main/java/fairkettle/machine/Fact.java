package fairkettle.machine;

import org.jspecify.annotations.Nullable;

/** What a machine's passport knows in words. Whoever comes after has to find it without asking. */
public enum Fact {
    REGISTERED("Registered with its maker, on", "Register it with its maker"),
    DRIVER("Driver: alone, or the whole pack", null),
    SYSTEM("Its computer and operating system", null),
    CONNECTION("Cable or network, and what if the network fails", null),
    DEFAULT_PRINTER("Is it the default printer there?", null),
    PASSWORD("Where the network password is kept", null),
    PLACE("Where tanks, tube exit and waste bottle are", null),
    PROCESSING("Firmware and image processing", null),
    PROTECTED("Head protected by", null),
    PRINTS_WITH("For now it prints with", null),
    DIFFERS("Differs from its profile in", null),
    BROKEN("Broken, and what works without it", null);

    private final String label;
    private final @Nullable String owed;

    Fact(String label, @Nullable String owed) {
        this.label = label;
        this.owed = owed;
    }

    public String label() {
        return label;
    }

    /** What there is to do while nobody has written it down; null if it may stay empty. */
    public @Nullable String owed() {
        return owed;
    }
}
