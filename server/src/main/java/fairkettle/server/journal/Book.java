package fairkettle.server.journal;

import fairkettle.procedure.Consequence;
import java.util.List;

/** Whoever keeps something that consequences change, and gives it back when an entry is struck out. */
public interface Book {

    /** Books by the names under which the journal keeps what they took. */
    enum Name {
        MACHINES,
        PASSPORTS,
        CHECKS,
        SHELF,
        SUPPLIES,
        TOOLS,
        WASTE,
        PARTS,
        MESSAGES,
        REFILLS,
        OWED,
        HOB,
        UPKEEP,
        LINES,
        SHEETS,
        TRAYS,
        ARTICLES,
        PURCHASES,
        JOBS,
        CARDS,
        CASES;

        /** Which books a consequence concerns: a new kind of consequence has to be decided on here. */
        static List<Name> of(Consequence what) {
            return switch (what) {
                case Consequence.Looked _ -> List.of(CHECKS, UPKEEP, CASES);
                case Consequence.LookedBetter _ -> List.of(CHECKS);
                case Consequence.Aligned _, Consequence.Noted _ -> List.of(PASSPORTS);
                case Consequence.Opened _, Consequence.PouredOver _ -> List.of(SHELF);
                case Consequence.Spoiled _ -> List.of(SHELF, CASES);
                case Consequence.Agreed _,
                        Consequence.Refitted _,
                        Consequence.Holds _,
                        Consequence.Firmware _,
                        Consequence.RemindersOff _,
                        Consequence.WarrantyEnded _,
                        Consequence.PutAside _,
                        Consequence.SignedOff _ -> List.of(MACHINES);
                case Consequence.Owes _, Consequence.Settles _, Consequence.Settled _ -> List.of(OWED);
                case Consequence.WaitBegun _, Consequence.WaitOver _ -> List.of(HOB);
                case Consequence.RoutineDone _ -> List.of(UPKEEP);
                case Consequence.LineSeen _ -> List.of(LINES);
                case Consequence.InletsSeen _,
                        Consequence.SeenBefore _,
                        Consequence.Treated _,
                        Consequence.Renewed _,
                        Consequence.Told _ -> List.of(CASES);
                case Consequence.GivenUp _, Consequence.Branched _ -> List.of(CARDS);
                case Consequence.Taught _ -> List.of(MACHINES, CARDS);
                case Consequence.Used _, Consequence.Came _, Consequence.Counted _ -> List.of(SUPPLIES);
                case Consequence.OwnCounted _ -> List.of(ARTICLES);
                case Consequence.Purchased _ -> List.of(PURCHASES);
                case Consequence.ToolsTaken _, Consequence.ToolSeen _ -> List.of(TOOLS);
                case Consequence.Heard _ -> List.of(MESSAGES);
                case Consequence.PartFitted _ -> List.of(PARTS);
                case Consequence.SolidWaste _ -> List.of(WASTE);
                case Consequence.Released _ -> List.of(SHELF);
                case Consequence.Refilled _ -> List.of(REFILLS);
                case Consequence.SheetPrinted _ -> List.of(SHEETS, SUPPLIES, TRAYS);
                case Consequence.JobSheetOut _ -> List.of(SHEETS, JOBS);
                case Consequence.JobIs _ -> List.of(JOBS);
                case Consequence.Printed _ -> List.of(TRAYS);
            };
        }
    }

    Name name();

    /** Rows that taking this may change; they are kept as they were before and after. */
    List<Rows> rows(Act act, Consequence what);

    void take(Act act, Consequence what);

    /**
     * Gives back what was taken.
     *
     * @param images rows as they were before and after; none where nothing had to be kept
     * @return what stays all the same, in sentences; empty if everything is as it was
     */
    default List<String> giveBack(Act act, Consequence what, Images images) {
        return images.restored().stream()
                .map(row -> "%s was changed since, and stays as it is.".formatted(row))
                .toList();
    }
}
