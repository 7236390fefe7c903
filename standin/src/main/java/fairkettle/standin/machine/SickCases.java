package fairkettle.standin.machine;

import fairkettle.clinic.Complaint;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Situation;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/** Makes machines sick: from a seed, with a history as people tell it. */
public final class SickCases {

    private static final int STROKES = 60;
    private static final int TOLERATED = 2;
    private static final List<Family> FAMILIES =
            List.of(Family.MAKERS_DYE, Family.SUBLIMATION, Family.FILM, Family.EDIBLE);
    private static final double[] COMMON = {
        .07, .09, .20, .11, .16, .22, .13, .07, .03, .015, .03, .055, .02, .025, .015
    };
    private static final double MIX = .7; // how far one shop's mix of causes is from another's: spread of each share

    private SickCases() {}

    enum Cause {
        EMPTY,
        VENT,
        AIR,
        FILTER,
        SETTLED,
        DRIED,
        CAP,
        WIPER,
        MIXED,
        GROWTH,
        POSITION,
        DEAD,
        PINCHED,
        SEEPING,
        LOOSE
    }

    /**
     * A sick machine and what is told of it.
     *
     * @param first what is wrong with it above all, in a word
     */
    public record Sick(SickMachine machine, Situation situation, String first) {}

    /** How hard it is to see what is wrong. */
    public enum Level {
        EASY,
        MIDDLING,
        HARD
    }

    /**
     * One of the yardstick: its mix of causes and its physics are its own, two causes in a third of them, and now and
     * then a cause that no table of advice names.
     */
    public static Sick of(long seed) {
        var dice = Dice.of(seed);
        return ill(() -> {
            var family = FAMILIES.get(dice.under(FAMILIES.size()));
            var mix = new double[COMMON.length];
            for (int i = 0; i < mix.length; i++) {
                mix[i] = dice.about(COMMON[i], MIX);
            }
            return make(
                    family,
                    dice.branch(),
                    cause(dice, family, mix),
                    dice.hits(.33) ? Optional.of(cause(dice, family, mix)) : Optional.empty());
        });
    }

    /** One to practise on: easy ones have one clear cause, hard ones two. */
    public static Sick practice(long seed, Level level) {
        var dice = Dice.of(seed ^ 0x5DEECE66DL);
        return ill(() -> practice(dice, level));
    }

    private static Sick practice(Dice dice, Level level) {
        var family = FAMILIES.get(dice.under(FAMILIES.size()));
        var cause = switch (level) {
            case EASY ->
                List.of(Cause.VENT, Cause.EMPTY, Cause.AIR, Cause.DRIED).get(dice.under(4));
            case MIDDLING ->
                List.of(
                                Cause.FILTER,
                                Cause.CAP,
                                Cause.WIPER,
                                Cause.AIR,
                                family == Family.FILM ? Cause.SETTLED : Cause.DRIED)
                        .get(dice.under(5));
            case HARD ->
                List.of(Cause.CAP, Cause.DEAD, Cause.GROWTH, Cause.FILTER, Cause.DRIED)
                        .get(dice.under(5));
        };
        return make(
                family,
                dice.branch(),
                cause,
                level == Level.HARD ? Optional.of(cause(dice, family, COMMON)) : Optional.empty());
    }

    /** Some machines shrug it off: those are none to treat. */
    private static Sick ill(Supplier<Sick> maker) {
        var sick = maker.get();
        while (sick.machine().fit(TOLERATED)) {
            sick = maker.get();
        }
        return sick;
    }

    private static Cause cause(Dice dice, Family family, double[] mix) {
        double sum = 0;
        for (var c : Cause.values()) {
            sum += possible(c, family) ? mix[c.ordinal()] : 0;
        }
        double at = dice.next() * sum;
        for (var c : Cause.values()) {
            if (possible(c, family)) {
                at -= mix[c.ordinal()];
                if (at < 0) {
                    return c;
                }
            }
        }
        return Cause.DRIED;
    }

    private static boolean possible(Cause cause, Family family) {
        return cause != Cause.SETTLED || family == Family.FILM;
    }

    private static Sick make(Family family, Dice dice, Cause first, Optional<Cause> second) {
        var physics = Physics.drawn(family, dice);
        double air = dice.about(1, .3);
        var machine = new SickMachine(family, physics, air, dice);
        boolean refillable = family != Family.FILM && dice.hits(.4);
        var codes = new ArrayList<>(List.of("K", "C", "M", "Y"));
        if (family == Family.FILM) {
            codes.addAll(dice.hits(.5) ? List.of("W1", "W2") : List.of("W1"));
        } else if (dice.hits(.25)) {
            codes.addAll(List.of("LC", "LM"));
        }
        codes.forEach(
                c -> machine.add(new SimChannel(ChannelCode.of(c), STROKES, dice, physics, refillable ? 14 : 70)));
        machine.rim = .12 * dice.next();
        machine.wiper = .25 * dice.next();
        for (var c : machine.channels()) {
            c.load = .35 * dice.next();
        }
        double idle = dice.between(.05, .8) * reference(family);
        boolean changed = dice.hits(.08);
        var complaints = EnumSet.of(Complaint.GAPS);
        idle = Math.max(idle, spoil(machine, first, dice, complaints, idle, family));
        boolean cleaned = dice.hits(.25);
        if (first == Cause.AIR && dice.hits(.4)) {
            changed = true;
        }
        if (second.isPresent()) {
            idle = Math.max(idle, spoil(machine, second.get(), dice, complaints, idle, family));
        }
        machine.rest(idle * 24);
        var before = machine.copy();
        var page = before.page();
        if (page.seen().values().stream().anyMatch(p -> p.fade() > .3) && dice.hits(.8)) {
            complaints.add(Complaint.FADES);
        }
        if (page.seen().values().stream().anyMatch(Evidence.Seen::off) && dice.hits(.8)) {
            complaints.add(Complaint.HUE);
        }
        var told = new ArrayList<Situation.Part>();
        for (var c : machine.channels()) {
            double months = Math.max(.5, 3 + c.load * 9) * dice.about(1, .3);
            told.add(new Situation.Part(
                    c.code, c.strokes, TOLERATED, months, c.empty ? c.capacity * .5 : c.level, c.capacity));
        }
        double padRoom = dice.between(60, 250);
        var situation = new Situation(
                family,
                told,
                refillable,
                !refillable,
                !refillable,
                dice.hits(.8),
                dice.hits(.6),
                idle * dice.about(1, .28),
                air * dice.about(1, .1),
                (machine.rubber > .3 ? 26 : 10) * dice.about(1, .4),
                cleaned || machine.wiper > .5 && dice.hits(.5),
                changed,
                false,
                padRoom,
                3,
                complaints,
                Set.of(),
                Situation.Prices.USUAL,
                Situation.Ink.USUAL);
        return new Sick(fresh(machine), situation, first.name().toLowerCase(java.util.Locale.ROOT));
    }

    /** The case begins with clean books. */
    private static SickMachine fresh(SickMachine machine) {
        machine.begin();
        return machine;
    }

    private static double reference(Family family) {
        return switch (family) {
            case MAKERS_DYE, MAKERS_PIGMENT -> 14;
            case SUBLIMATION -> 5;
            case FILM -> 1.5;
            case EDIBLE -> 6;
        };
    }

    /** @return days it stood, for causes that come of standing */
    private static double spoil(
            SickMachine m, Cause cause, Dice dice, Set<Complaint> complaints, double idle, Family family) {
        var one = m.channels().get(dice.under(m.channels().size()));
        double days = idle;
        switch (cause) {
            case EMPTY -> {
                one.empty = true;
                complaints.add(Complaint.GONE);
            }
            case VENT -> {
                boolean all = dice.hits(.3);
                for (var c : m.channels()) {
                    if (all || c == one) {
                        c.ventShut = true;
                        c.flow(dice.between(.6, 2), .6, false, dice);
                    }
                }
            }
            case AIR -> {
                int sick = dice.hits(.3) ? 1 + dice.under(3) : 1;
                for (int i = 0; i < sick; i++) {
                    var c = m.channels().get(dice.under(m.channels().size()));
                    for (int k = 0; k <= dice.under(4); k++) {
                        c.pocket(dice.between(.2, .95), dice.about(.25, .7));
                    }
                    c.damperAir += dice.about(.15, .6);
                    c.flow(dice.between(.3, 1.5), .6, false, dice);
                }
            }
            case FILTER -> {
                one.load = dice.between(.68, .97);
                if (dice.hits(.12)) {
                    one.crust = dice.between(.6, 1);
                }
                one.flow(1, .6, false, dice);
            }
            case SETTLED -> {
                for (var c : m.channels()) {
                    if (c.code.white()) {
                        c.settledLine = dice.between(.6, 1);
                        c.settledVessel = dice.between(.3, 1);
                        c.load = Math.max(c.load, dice.between(.3, .75));
                        c.flow(1, .6, false, dice);
                    }
                }
                days = Math.max(idle, dice.between(2, 8));
            }
            case DRIED -> days = reference(family) * dice.between(2, 7);
            case CAP -> {
                switch (dice.under(3)) {
                    case 0 -> m.rim = dice.between(.35, .75);
                    case 1 -> m.pumpLine = dice.between(.6, 1);
                    default -> m.rubber = dice.between(.35, .75);
                }
                days = Math.max(idle, reference(family) * dice.between(.3, 1.3));
            }
            case WIPER -> {
                m.wiper = dice.between(.55, 1);
                for (var c : m.channels()) {
                    c.dirty(m.wiper * dice.between(.5, 3), dice);
                    c.smear = dice.hits(.3) ? dice.between(.05, .3) : 0;
                }
                complaints.add(Complaint.AFTER_CLEANING);
            }
            case MIXED -> one.mixed = dice.between(.15, .5);
            case GROWTH -> {
                one.growth = true;
                one.flow(1, .6, false, dice);
            }
            case POSITION -> m.shifted = true;
            case PINCHED -> {
                one.pinch = dice.between(.75, .97);
                one.flow(1, .6, false, dice);
            }
            case SEEPING -> one.seeps = dice.about(.05, .6);
            case LOOSE -> one.loose = true;
            case DEAD -> {
                int n = 1 + dice.under(dice.hits(.4) ? 22 : 6);
                int from = dice.under(STROKES);
                boolean block = dice.hits(.5);
                for (int i = 0; i < n; i++) {
                    one.dead[block ? (from + i) % one.strokes : dice.under(one.strokes)] = true;
                }
            }
        }
        return days;
    }
}
