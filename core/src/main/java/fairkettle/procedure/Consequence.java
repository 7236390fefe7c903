package fairkettle.procedure;

import fairkettle.ink.BottleKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Fact;
import fairkettle.machine.Fit;
import fairkettle.machine.Handling;
import fairkettle.machine.Supply;
import fairkettle.machine.WhiteLook;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What an act comes to beyond the ink that it moves. A finished step of a card is a list of these, and so is an act
 * outside cards; whoever keeps a book takes its own, and gives its own back when the act is struck out. Doing is the
 * list forward, striking out is the list backward.
 */
public sealed interface Consequence {

    /**
     * Somebody looked at the nozzles.
     *
     * @param missing teeth counted from 0, by channel
     * @param judged false for a look that nothing is judged by
     */
    record Looked(Map<ChannelCode, List<Integer>> missing, boolean judged) implements Consequence {
        public Looked {
            missing = Map.copyOf(new TreeMap<>(missing));
        }
    }

    /** A person saw better than the check of an entry says. */
    record LookedBetter(long entry, ChannelCode channel, List<Integer> missing) implements Consequence {}

    /** Which square was best, by pattern. */
    record Aligned(Map<String, Integer> picks) implements Consequence {}

    /** Bottles that are in use from now on. */
    record Opened(Set<Long> lots) implements Consequence {}

    /** What is left of a bottle was poured over into one of another kind; its lot, its code and its date stay. */
    record PouredOver(long lot, BottleKind into) implements Consequence {}

    /** Bottles that nothing is filled from any more. */
    record Spoiled(Set<Long> lots, String why) implements Consequence {}

    /**
     * Syringes that meet ink from now on.
     *
     * @param tools by channel; 0 for one that met none yet
     * @param craft whether what they draw is not food
     */
    record ToolsTaken(Map<ChannelCode, Long> tools, Family family, boolean craft) implements Consequence {}

    /** The machine’s screen said something. @param message the dictionary’s key; empty if none knows it */
    record Heard(String wording, String message, String did, Outcome outcome) implements Consequence {

        /** What came of what was done. */
        public enum Outcome {
            WENT_AWAY("it went away"),
            CAME_BACK("it came back"),
            STOPPED_US("it stopped us"),
            NOT_KNOWN("what came of it is not known yet");

            private final String words;

            Outcome(String words) {
                this.words = words;
            }

            public String words() {
                return words;
            }
        }
    }

    /** A case keeps how its machine was before anything was tried. */
    record SeenBefore(long caseId, UUID picture) implements Consequence {}

    /** Solid waste went into a vessel. */
    record SolidWaste(long bottle, int grams) implements Consequence {}

    /** A part was fitted whose age nothing else tells. */
    record PartFitted(String part, LocalDate on) implements Consequence {}

    /** A tool was rinsed, or got another name, or is kept no more. */
    record ToolSeen(long tool, boolean rinsed, boolean gone) implements Consequence {}

    /** Words that were agreed to. */
    record Agreed(String words) implements Consequence {}

    /** Parts were exchanged: other vessels on the paths, other channels in the slots. */
    record Refitted(Fit fit) implements Consequence {}

    /** What channels are known to hold from now on, by the codes that they carry now. */
    record Holds(Map<ChannelCode, Holding> holdings) implements Consequence {}

    /** The passport knows something more. */
    record Noted(Fact fact, String words) implements Consequence {}

    /** The version that the machine shows of its firmware. */
    record Firmware(String version) implements Consequence {}

    /** The maker's update reminders are off. */
    record RemindersOff() implements Consequence {}

    record WarrantyEnded() implements Consequence {}

    /** How hands get at the machine is other than its profile says. */
    record Taught(Handling.Taught taught) implements Consequence {}

    /** Something is owed to the machine. @param every days after which it comes round again, or null */
    record Owes(
            Owing what,
            String words,
            String why,
            int inDays,
            @Nullable Integer every) implements Consequence {
        public Owes(Owing what, String why, int inDays, @Nullable Integer every) {
            this(what, what.words(), why, inDays, every);
        }
    }

    /** What was owed of this kind is owed no more. */
    record Settles(Owing what) implements Consequence {}

    /** One task that was owed is done. */
    record Settled(long task) implements Consequence {}

    /** Cartridges that came out and hold ink still, with what they are. */
    record PutAside(Map<ChannelCode, String> what) implements Consequence {}

    /** A wait goes onto the hob. */
    record WaitBegun(Pause pause) implements Consequence {}

    /** The step's wait has nothing more to say; without a step, no wait of the card has. */
    record WaitOver(@Nullable String step) implements Consequence {}

    /** A routine was done, for one channel or for the machine. */
    record RoutineDone(String routine, @Nullable ChannelCode channel) implements Consequence {}

    /** Settled white was looked at. @param picture of it; null for none */
    record LineSeen(
            ChannelCode channel,
            WhiteLook.Place place,
            WhiteLook.Seen seen,
            @Nullable UUID picture,
            String person) implements Consequence {}

    /** The inlet points were looked at. @param crusted by channel */
    record InletsSeen(Map<ChannelCode, Boolean> crusted) implements Consequence {}

    /**
     * A treatment's card is done, or had to stop. @param branch why; null if it is done; @param rested whether every
     * wait was kept
     */
    record Treated(@Nullable String branch, boolean rested) implements Consequence {}

    /** The machine's ink was renewed. */
    record Renewed() implements Consequence {}

    /** The machine may go back to work. */
    record SignedOff() implements Consequence {}

    /** The card was given up. */
    record GivenUp(String why) implements Consequence {}

    /** A branch brought steps in. @param was how far the step had been, for whoever takes the branch back */
    record Branched(String branch, StepRun.Progress was) implements Consequence {}

    /** Supplies that are gone. */
    record Used(Map<Supply, Integer> supplies) implements Consequence {}

    /** What was set aside for the card is free again. */
    record Released() implements Consequence {}

    /** Supplies came onto the shelf. */
    record Came(Map<Supply, Integer> supplies) implements Consequence {}

    /** An article of the shop’s own was counted, or is kept from now on. @param article its key */
    record OwnCounted(String article, String label, int count) implements Consequence {}

    /** Something was ordered, came, or is off. @param purchase the order as its book writes it from now on */
    record Purchased(long order, String purchase) implements Consequence {}

    /** Supplies were counted. @param price in minor units; null for the usual */
    record Counted(Supply what, int count, @Nullable Long price) implements Consequence {}

    /**
     * A tank was topped up.
     *
     * @param microlitres that were poured
     * @param says what the machine itself believes, 0 to 1; null if nobody looked
     * @param before share of the vessel that was full, 0 to 1
     */
    record Refilled(
            ChannelCode channel,
            long microlitres,
            boolean ranDry,
            boolean chipReset,
            @Nullable Double says,
            double before)
            implements Consequence {}

    /** A job was taken, changed, printed, pressed or closed. @param body the job as its book writes it from now on */
    record JobIs(long job, String body) implements Consequence {}

    /** A sheet with a job’s pieces came out of the machine. */
    record JobSheetOut(long job, long sheet) implements Consequence {}

    /** Sheets for a customer came out of the machine. */
    record Printed(int sheets) implements Consequence {}

    /** A sheet of the house’s own came out of the machine. */
    record SheetPrinted(long sheet, int pages) implements Consequence {}

    /** A case was told something. @param evidence as its book writes it */
    record Told(long caseId, String evidence) implements Consequence {}

    /** What comes back when it is struck out, in words; empty for what nobody sees. */
    default String comesBack() {
        return switch (this) {
            case Looked _ -> "the nozzle check that it kept";
            case LookedBetter(var _, var channel, var _) -> "the check of %s as it was read".formatted(channel);
            case Aligned _ -> "the squares that were chosen";
            case Opened(var lots) -> lots.isEmpty() ? "" : "bottles that it opened are unopened";
            case PouredOver _ -> "the bottle that its ink is in";
            case Spoiled(var lots, var _) ->
                lots.isEmpty() ? "" : "bottles that it marked bad, and the cases that it opened";
            case ToolsTaken _ -> "the syringes that it took are as they were";
            case Heard _ -> "what the machine said";
            case SeenBefore _ -> "the picture of how it was: another may be taken";
            case SolidWaste(var _, var grams) -> "%d g are out of the waste again".formatted(grams);
            case PartFitted(var part, var _) -> "the age of its %s before".formatted(part);
            case ToolSeen _ -> "what was known of the tool";
            case Agreed _ -> "what was agreed to";
            case Refitted _ -> "the parts that were exchanged";
            case Holds _ -> "what each channel held before";
            case Noted(var fact, var _) -> "the passport: " + fact.label().toLowerCase(Locale.ROOT);
            case Firmware _ -> "the firmware’s version before";
            case RemindersOff _ -> "the maker’s reminders are on again";
            case WarrantyEnded _ -> "the warranty";
            case Taught _ -> "what was known of how hands get at it";
            case Owes(var _, var words, var _, var _, var _) -> "“%s” is not owed".formatted(words);
            case Settles(var what) -> what.words().isEmpty() ? "" : "“%s” is owed again".formatted(what.words());
            case Settled _ -> "it is owed again";
            case PutAside _ -> "cartridges that it put aside";
            case WaitBegun(var pause) -> "the wait, %s".formatted(pause.label());
            case WaitOver(var step) -> step == null ? "" : "its wait is on the hob again";
            case RoutineDone(var routine, var channel) ->
                "the routine “%s”%s".formatted(routine, channel == null ? "" : " of " + channel);
            case LineSeen _ -> "what was seen of the white";
            case InletsSeen _ -> "what was seen at the inlets";
            case Treated _, Renewed _, Told _ -> "what the case was told";
            case SignedOff _ -> "its sign-off";
            case GivenUp _ -> "the card is open again";
            case Branched _ -> "the steps that it brought in";
            case Used _ -> "supplies go back onto the shelf";
            case Came _ -> "supplies are off the shelf again";
            case OwnCounted(var _, var label, var _) -> "the count of “%s” before".formatted(label);
            case Purchased(var order, var _) -> "order no. %d as it was before".formatted(order);
            case Released _ -> "what was set aside for the card";
            case Counted(var what, var _, var _) -> "the count of “%s” before".formatted(what.label());
            case Refilled(var channel, var _, var _, var _, var _, var _) -> "the refill of %s".formatted(channel);
            case JobIs(var job, var _) -> "job no. %d as it was before".formatted(job);
            case JobSheetOut _ -> "the sheet can be printed again";
            case Printed _, SheetPrinted _ -> "the paper that it took";
        };
    }
}
