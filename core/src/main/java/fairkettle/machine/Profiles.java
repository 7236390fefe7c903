package fairkettle.machine;

import static fairkettle.machine.VesselKind.CARTRIDGE;
import static fairkettle.machine.VesselKind.DAMPER;
import static fairkettle.machine.VesselKind.HEAD;
import static fairkettle.machine.VesselKind.TANK;
import static fairkettle.machine.VesselKind.TUBE;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile.Draws;
import fairkettle.machine.Profile.Minutes;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** The classes of machine that ship. Adding one touches this file alone. */
public final class Profiles {

    private static final Vessel LINE = Vessel.of(TUBE, "4.5", "0.5");
    private static final Vessel SMALL_DAMPER = Vessel.of(DAMPER, "3.0", "1.1");
    private static final Vessel SMALL_HEAD = Vessel.of(HEAD, "0.5", "0.2");

    private static final Panel.How SHEET_KEY = new Panel.How(
            "Hold the key with the sheet on it. Power and ink lamp then stay steady; the wireless lamp may blink.", 5);
    private static final Panel.How HELP_KEY = new Panel.How(
            "Hold the help key to the beep. It asks to fill although you have: proceed. Tanks full: done.", 5);
    private static final Panel.How TERMS_AND_OK = new Panel.How(
            "On its screen: maintenance, power cleaning. It warns of twelve hours, wants the upper line confirmed and"
                    + " its terms agreed to; then OK is held.",
            5);
    private static final Panel.How WARNINGS_AND_KEY = new Panel.How(
            "On its screen: maintenance, power cleaning, by arrow and OK; through its pages of warnings, then the key"
                    + " is held.",
            5);
    private static final Panel.How SECOND_ENTRY = new Panel.How(
            "On its screen: maintenance, the second entry. It takes five to ten minutes and then offers a check.",
            null);
    private static final Panel.How WHITE_BUTTON = new Panel.How(
            "Answer the message with OK and let the carriage park; then hold the small button on the ink set.", 8);
    private static final Panel.How UPDATE_KEYS =
            new Panel.How("Switch off. Hold cancel, down and left, then power too, until its screen says update.", 10);
    private static final Panel.How INK_FILL_KEY = new Panel.How("Its ink-fill key.", null);

    public static final List<Profile> ALL = List.of(
            tank(
                    "small-tank",
                    "small tank",
                    "60",
                    "1.6",
                    "K C M Y",
                    59,
                    250,
                    new Handling(
                            CarriageFreeing.CORD_IN_PRINT,
                            new Panel(PanelKind.LAMPS, Map.of(Panel.Act.CHARGE, SHEET_KEY)),
                            List.of(new Screws("head cover", 5)),
                            WasteLines.NONE,
                            false,
                            false,
                            BulkKit.Usual.JOINED.kit(),
                            List.of(Tray.REAR)),
                    new Capabilities("A4", true, false, false)),
            tank(
                    "wide-tank",
                    "wide tank",
                    "90",
                    "2.4",
                    "K C M Y",
                    180,
                    400,
                    new Handling(
                            CarriageFreeing.CORD_WHEN_CENTRAL,
                            new Panel(
                                    PanelKind.SCREEN,
                                    Map.of(Panel.Act.CHARGE, HELP_KEY, Panel.Act.POWER_CLEANING, TERMS_AND_OK)),
                            List.of(
                                    new Screws("side cover, one of them at the front", 7),
                                    new Screws("the tiny one", 1)),
                            WasteLines.NONE,
                            false,
                            false,
                            BulkKit.Usual.JOINED.kit(),
                            List.of(Tray.FRONT, Tray.REAR)),
                    new Capabilities("A3+", true, false, true)),
            tank(
                    "six-ink-tank",
                    "six-ink tank",
                    "70",
                    "1.9",
                    "K C M Y LC LM",
                    90,
                    300,
                    new Handling(
                            CarriageFreeing.CORD_IN_PRINT,
                            new Panel(PanelKind.SCREEN, Map.of(Panel.Act.POWER_CLEANING, WARNINGS_AND_KEY)),
                            List.of(new Screws("front of the cover", 2)),
                            WasteLines.ONE,
                            true,
                            false,
                            BulkKit.Usual.JOINED.kit(),
                            List.of(Tray.FRONT, Tray.REAR)),
                    new Capabilities("A4", true, true, true)),
            cartridge(
                    "small-cartridge",
                    "small cartridge",
                    "K C M Y",
                    59,
                    List.of(Chips.AUTO_RESET, Chips.BUTTON, Chips.IGNORED),
                    handled(
                            CarriageFreeing.CORD_AT_START,
                            new Panel(PanelKind.SCREEN, Map.of(Panel.Act.UPDATE_MODE, UPDATE_KEYS)),
                            BulkKit.Usual.JOINED,
                            List.of(Tray.REAR)),
                    new Capabilities("A4", true, false, false)),
            cartridge(
                    "small-four-slot",
                    "small cartridge, lock turned by hand",
                    "K C M Y",
                    59,
                    List.of(Chips.AUTO_RESET, Chips.BUTTON),
                    handled(
                            CarriageFreeing.LOCK_GEAR,
                            Panel.of(PanelKind.SCREEN),
                            BulkKit.Usual.JOINED,
                            List.of(Tray.REAR)),
                    new Capabilities("A4", true, false, false)),
            cartridge(
                    "office-cartridge-four",
                    "office cartridge, button chip",
                    "K C M Y",
                    90,
                    List.of(Chips.BUTTON, Chips.AUTO_RESET),
                    handled(
                            CarriageFreeing.MENU,
                            new Panel(
                                    PanelKind.SCREEN,
                                    Map.of(Panel.Act.CLEANING, SECOND_ENTRY, Panel.Act.CHIP_RESET, WHITE_BUTTON)),
                            BulkKit.Usual.LEVEL_TANK,
                            List.of(Tray.FRONT)),
                    new Capabilities("A4", true, false, true)),
            cartridge(
                    "wide-cartridge-four",
                    "wide cartridge, four inks",
                    "K C M Y",
                    180,
                    List.of(Chips.AUTO_RESET, Chips.BUTTON, Chips.IGNORED),
                    handled(
                            CarriageFreeing.MENU,
                            new Panel(
                                    PanelKind.SCREEN,
                                    Map.of(Panel.Act.CLEANING, SECOND_ENTRY, Panel.Act.CHIP_RESET, WHITE_BUTTON)),
                            BulkKit.Usual.LEVEL_TANK,
                            List.of(Tray.FRONT, Tray.REAR)),
                    new Capabilities("A3+", true, false, true)),
            cartridge(
                    "wide-cartridge-six",
                    "wide cartridge, six inks",
                    "K C M Y LC LM",
                    90,
                    List.of(Chips.AUTO_RESET, Chips.BUTTON, Chips.IGNORED),
                    handled(
                            CarriageFreeing.MENU_THEN_CORD,
                            Panel.of(PanelKind.SCREEN),
                            BulkKit.Usual.LOOSE_DAMPERS,
                            List.of(Tray.REAR)),
                    new Capabilities("A3+", true, true, true)),
            bags(),
            film(
                    "film-rebuilt",
                    "rebuilt six-channel film",
                    "K C M Y W1 W2",
                    90,
                    new Handling(
                            CarriageFreeing.CORD_AS_IT_UNDOCKS,
                            Panel.of(PanelKind.SCREEN),
                            List.of(new Screws("cover screws", 11)),
                            WasteLines.ONE,
                            false,
                            false,
                            BulkKit.Usual.JOINED.kit(),
                            List.of(Tray.REAR)),
                    new Capabilities("A3+", true, true, true)),
            film(
                    "film-dual-head",
                    "dual-head film",
                    "K C M Y W1 W2 W3 W4",
                    180,
                    new Handling(
                            CarriageFreeing.ARROWS,
                            Panel.of(PanelKind.ARROWS),
                            List.of(new Screws("cover screws", 11)),
                            WasteLines.WHITE_AND_COLOURS,
                            false,
                            false,
                            BulkKit.Usual.JOINED.kit(),
                            List.of(Tray.BED)),
                    new Capabilities("roll, 33 cm", false, true, true)),
            film(
                    "garment",
                    "garment machine, bottles above the head",
                    "W1 W2 W3 W4 C M Y K",
                    180,
                    new Handling(
                            CarriageFreeing.CORD_AS_IT_UNDOCKS,
                            new Panel(PanelKind.ARROWS, Map.of(Panel.Act.CHARGE, INK_FILL_KEY)),
                            List.of(new Screws("plate over the head: loosened, not taken out", 2)),
                            WasteLines.NONE,
                            false,
                            false,
                            BulkKit.Usual.JOINED.kit(),
                            List.of(Tray.PLATEN)),
                    new Capabilities("garment, 40 cm", false, true, true)),
            snapIn());

    private Profiles() {}

    /** @throws IllegalArgumentException naming those that exist */
    public static Profile named(String id) {
        return ALL.stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no profile (%s). There are: %s."
                        .formatted(id, ALL.stream().map(Profile::id).toList())));
    }

    private static Profile tank(
            String id,
            String name,
            String capacity,
            String heel,
            String codes,
            int nozzles,
            int pad,
            Handling handling,
            Capabilities capable) {
        var path = List.of(Vessel.of(TANK, capacity, heel), LINE, SMALL_DAMPER, SMALL_HEAD);
        return new Profile(
                id,
                name,
                Architecture.TANK,
                channels(codes, path, nozzles),
                Family.MAKERS_DYE,
                ml(pad),
                Draws.USUAL,
                Minutes.USUAL,
                handling,
                List.of(),
                capable,
                null);
    }

    private static Profile cartridge(
            String id,
            String name,
            String codes,
            int nozzles,
            List<Chips> chips,
            Handling handling,
            Capabilities capable) {
        var path = List.of(Vessel.of(CARTRIDGE, "12", "1.5"), SMALL_HEAD);
        return new Profile(
                id,
                name,
                Architecture.CARTRIDGE,
                channels(codes, path, nozzles),
                Family.MAKERS_DYE,
                ml(250),
                Draws.USUAL,
                Minutes.USUAL,
                handling,
                chips,
                capable,
                null);
    }

    /** A cartridge machine’s covers come off for a rebuild alone. */
    private static Handling handled(CarriageFreeing freeing, Panel panel, BulkKit.Usual kit, List<Tray> trays) {
        return new Handling(
                freeing,
                panel,
                List.of(new Screws("cover screws", 9)),
                WasteLines.NONE,
                false,
                false,
                kit.kit(),
                trays);
    }

    private static Profile film(
            String id, String name, String codes, int nozzles, Handling handling, Capabilities capable) {
        var path = List.of(Vessel.of(TANK, "110", "2"), Vessel.of(TUBE, "6", "0.8"), SMALL_DAMPER, SMALL_HEAD);
        return new Profile(
                id,
                name,
                Architecture.FILM,
                channels(codes, path, nozzles),
                Family.FILM,
                ml(1000),
                Draws.USUAL,
                Minutes.USUAL,
                handling,
                List.of(),
                capable,
                null);
    }

    private static Profile bags() {
        var path = List.of(Vessel.of(TANK, "180", "6"), LINE, SMALL_DAMPER, SMALL_HEAD);
        return new Profile(
                "bags-inside",
                "six channels, bags inside",
                Architecture.BAY,
                channels("K C M Y LC LM", path, 180),
                Family.MAKERS_DYE,
                ml(400),
                Draws.USUAL,
                Minutes.USUAL,
                new Handling(
                        CarriageFreeing.CORD_AT_START,
                        Panel.of(PanelKind.SCREEN),
                        List.of(
                                new Screws("side panel, those at the back too", 6),
                                new Screws("frame", 4),
                                new Screws("behind the cartridge cover", 2)),
                        WasteLines.ONE,
                        true,
                        false,
                        BulkKit.Usual.JOINED.kit(),
                        List.of(Tray.FRONT, Tray.REAR)),
                List.of(),
                new Capabilities("A3+", true, true, true),
                null);
    }

    private static Profile snapIn() {
        var path = List.of(Vessel.of(TANK, "70", "1.8"), Vessel.of(TUBE, "3", "0.4"), Vessel.of(HEAD, "2", "0.6"));
        return new Profile(
                "snap-in-head",
                "snap-in head",
                Architecture.SNAP_IN,
                channels("K C M Y", path, 64),
                Family.MAKERS_DYE,
                ml(250),
                Draws.USUAL,
                Minutes.USUAL,
                new Handling(
                        CarriageFreeing.CORD_IN_PRINT,
                        Panel.of(PanelKind.SCREEN),
                        List.of(),
                        WasteLines.NONE,
                        true,
                        true,
                        BulkKit.Usual.JOINED.kit(),
                        List.of(Tray.REAR)),
                List.of(),
                new Capabilities("A4", true, true, false),
                null);
    }

    private static List<Channel> channels(String codes, List<Vessel> path, int nozzles) {
        return Stream.of(codes.split(" "))
                .map(code -> new Channel(ChannelCode.of(code), path, nozzles))
                .toList();
    }

    private static Millilitres ml(int whole) {
        return new Millilitres(whole * 1000L);
    }
}
