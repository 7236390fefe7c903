package fairkettle.machine;

/** How the carriage comes off its dock. A property of the profile; never force. */
public enum CarriageFreeing {
    REPLACEMENT_MENU("Choose the cartridge-replacement menu and wait until the carriage stands still. Then unplug."),
    LIFT_POWER(
            "Start a cleaning and pull the plug at the moment the carriage leaves its dock. An error at the next start"
                    + " is normal; a restart clears it."),
    LOCK_GEAR("Unplug. Turn the lock gear by hand until the carriage slides. If it will not turn, stop: you are turning"
            + " the wrong way.");

    private final String say;

    CarriageFreeing(String say) {
        this.say = say;
    }

    public String say() {
        return say;
    }
}
