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
import java.util.stream.Stream;

/** The classes of machine that ship. Adding one touches this file alone. */
public final class Profiles {

    private static final Vessel LINE = Vessel.of(TUBE, "4.5", "0.5");
    private static final Vessel SMALL_DAMPER = Vessel.of(DAMPER, "3.0", "1.1");
    private static final Vessel SMALL_HEAD = Vessel.of(HEAD, "0.5", "0.2");

    public static final List<Profile> ALL = List.of(
            tank(
                    "small-tank",
                    "small tank",
                    "60",
                    "1.6",
                    "K C M Y",
                    59,
                    250,
                    CarriageFreeing.REPLACEMENT_MENU,
                    5,
                    false,
                    new Capabilities("A4", false, true, false, false, false)),
            tank(
                    "wide-tank",
                    "wide tank",
                    "90",
                    "2.4",
                    "K C M Y",
                    180,
                    400,
                    CarriageFreeing.LIFT_POWER,
                    7,
                    false,
                    new Capabilities("A3+", true, true, true, false, true)),
            tank(
                    "six-ink-tank",
                    "six-ink tank",
                    "70",
                    "1.9",
                    "K C M Y LC LM",
                    90,
                    300,
                    CarriageFreeing.REPLACEMENT_MENU,
                    7,
                    true,
                    new Capabilities("A4", true, true, true, false, true)),
            cartridge(
                    "small-cartridge",
                    "small cartridge",
                    "K C M Y",
                    59,
                    List.of(Chips.AUTO_RESET, Chips.BUTTON, Chips.IGNORED),
                    new Capabilities("A4", false, true, false, false, false)),
            cartridge(
                    "wide-cartridge-four",
                    "wide cartridge, four inks",
                    "K C M Y",
                    180,
                    List.of(Chips.AUTO_RESET, Chips.IGNORED),
                    new Capabilities("A3+", true, true, true, false, true)),
            cartridge(
                    "wide-cartridge-six",
                    "wide cartridge, six inks",
                    "K C M Y LC LM",
                    90,
                    List.of(Chips.AUTO_RESET, Chips.BUTTON, Chips.IGNORED),
                    new Capabilities("A3+", true, true, true, true, true)),
            film(
                    "film-rebuilt",
                    "rebuilt six-channel film",
                    "K C M Y W1 W2",
                    90,
                    new Capabilities("A3+", true, true, true, true, true)),
            film(
                    "film-dual-head",
                    "dual-head film",
                    "K C M Y W1 W2 W3 W4",
                    180,
                    new Capabilities("roll, 33 cm", true, false, true, true, true)),
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
            CarriageFreeing freeing,
            int screws,
            boolean powerFirst,
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
                freeing,
                screws,
                powerFirst,
                false,
                List.of(),
                capable,
                null);
    }

    private static Profile cartridge(
            String id, String name, String codes, int nozzles, List<Chips> chips, Capabilities capable) {
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
                CarriageFreeing.REPLACEMENT_MENU,
                9,
                false,
                false,
                chips,
                capable,
                null);
    }

    private static Profile film(String id, String name, String codes, int nozzles, Capabilities capable) {
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
                CarriageFreeing.LOCK_GEAR,
                11,
                false,
                false,
                List.of(),
                capable,
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
                CarriageFreeing.REPLACEMENT_MENU,
                4,
                true,
                true,
                List.of(),
                new Capabilities("A4", true, true, false, true, false),
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
