package fairkettle.safety;

import fairkettle.machine.Chips;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** What machines say, what it really means, and what is safe to do. Wordings are general: every maker has its own. */
public enum MachineMessage {
    CANNOT_DETECT(
            "cannot be detected, at a first fit",
            "The lid was opened outside the menu, or a cartridge has not clicked; the grey icon shows which.",
            "Follow the screen, unclip, press again until the icon lights."),
    NOT_GENUINE("not genuine; continue to use?", "Expected with ink that is not the maker’s.", "Proceed, yes."),
    INK_LOW(
            "ink low",
            "It counts drops, not ink. An auto-reset chip cannot be pressed.",
            "Look at the real level; go on if there is ink."),
    NOT_RECOGNISED(
            "not recognised, after long use",
            "The chip has just reset itself, or has come to its end.",
            "Auto-reset: take it out, fill it to the top, refit. Button: OK, let the carriage park, hold five to ten"
                    + " seconds."),
    IMPROPER_SHUTDOWN("improper shutdown", "You pulled the plug to free the carriage.", "Dismiss it."),
    POSITION_LOST(
            "error code after the carriage was moved by hand", "It lost its position.", "Switch off, wait, switch on."),
    UPDATE_AVAILABLE(
            "update available",
            "The maker’s firmware would undo firmware that ignores chips.",
            "No or later, then dismiss; check the version."),
    SUSPICIOUS_FILE(
            "suspicious file, from the browser",
            "An unsigned program: perhaps harmless, perhaps not.",
            "Verify where it comes from before anything else; do not just keep it."),
    BOX_FULL(
            "maintenance box full; waste pad full",
            "Earlier cleanings filled it. No power cleaning until it is changed.",
            "Change it, and say so on the machine’s page."),
    REPLACEMENT_COMPLETE(
            "replacement complete",
            "The carriage’s round is done. There may be air in the path.",
            "Clean and print a purge sheet."),
    WAIT_TWELVE_HOURS(
            "wait 12 hours; clean again first",
            "Air and dried ink need time.",
            "Hold, unless the check is already whole."),
    UPDATE_TURNS_OFF(
            "the update will turn the printer off",
            "It may not. The proof is that it showed 100 %.",
            "Cancel, to leave."),
    ENCODER(
            "encoder error; carriage error",
            "A dry rail, or a dirty strip, wheel or sensor. Not a clog.",
            "Clean and lubricate first."),
    CANNOT_ADD(
            "cannot add printer",
            "Driver missing, password or wireless; not the changeover.",
            "The driver from the maker, or a cable."),
    TEST_BUTTON("the test button does nothing", "The computer is not connected.", "Connect it."),
    ASKS_TO_FILL(
            "fill the tanks now, although they are full",
            "It asks everybody.",
            "Proceed, and confirm that they are full.");

    private final String wording;
    private final String meaning;
    private final String act;

    MachineMessage(String wording, String meaning, String act) {
        this.wording = wording;
        this.meaning = meaning;
        this.act = act;
    }

    public String wording() {
        return wording;
    }

    public String meaning() {
        return meaning;
    }

    /** What is safe to do, on whatever machine says it. */
    public String act() {
        return act;
    }

    /** What is safe to do on a machine that counts its ink in this way. */
    public String act(Chips chips) {
        return switch (this) {
            case INK_LOW ->
                switch (chips) {
                    case NONE -> "Look at the tanks: below their lower line, fill them; else go on.";
                    case MAKERS -> "Look whether it prints whole; the maker’s cartridge is changed when it does not.";
                    case AUTO_RESET -> act;
                    case BUTTON -> "Look at the real level. There is ink: hold its button five to ten seconds.";
                    case IGNORED ->
                        "It cannot know: its firmware ignores chips. Look at the real level; go on if there is ink.";
                };
            case NOT_RECOGNISED ->
                switch (chips) {
                    case NONE -> "It reads no chips: the part is not seated. Press until it clicks.";
                    case MAKERS -> "Take it out, wipe its contacts dry, press until it clicks.";
                    case AUTO_RESET -> "Take it out, fill it to the top, refit. Nothing is pressed.";
                    case BUTTON -> "OK, let the carriage park, hold its button five to ten seconds.";
                    case IGNORED ->
                        "An update took the firmware that ignores chips away. Load it again, and refuse updates.";
                };
            default -> act;
        };
    }

    /** Those whose wording or meaning has every word, in their order; all of them for no words. */
    public static List<MachineMessage> matching(String words) {
        var wanted = List.of(words.strip().toLowerCase(Locale.ROOT).split("\\s+"));
        return Stream.of(values())
                .filter(m -> {
                    var text = (m.wording + " " + m.meaning).toLowerCase(Locale.ROOT);
                    return wanted.stream().allMatch(text::contains);
                })
                .toList();
    }
}
