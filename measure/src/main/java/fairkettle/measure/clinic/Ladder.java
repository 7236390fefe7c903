package fairkettle.measure.clinic;

import static fairkettle.clinic.Treatment.AGITATE;
import static fairkettle.clinic.Treatment.CLEANING;
import static fairkettle.clinic.Treatment.DRAW_AT_CARTRIDGE;
import static fairkettle.clinic.Treatment.DRAW_AT_INLET;
import static fairkettle.clinic.Treatment.DRAW_AT_WASTE_LINE;
import static fairkettle.clinic.Treatment.FLUSH_CAP;
import static fairkettle.clinic.Treatment.FLUSH_LINE;
import static fairkettle.clinic.Treatment.LOOK_AGAIN;
import static fairkettle.clinic.Treatment.NEW_CAP;
import static fairkettle.clinic.Treatment.NEW_DAMPER;
import static fairkettle.clinic.Treatment.POWER_CLEANING;
import static fairkettle.clinic.Treatment.PURGE_SHEET;
import static fairkettle.clinic.Treatment.REST_LONG;
import static fairkettle.clinic.Treatment.REST_SHORT;
import static fairkettle.clinic.Treatment.SOAK;
import static fairkettle.clinic.Treatment.SOAK_OVERNIGHT;
import static fairkettle.clinic.Treatment.WIPE;

import fairkettle.clinic.Remedy;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.standin.machine.AdvisedHand.End;
import fairkettle.standin.machine.Bedside;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * A fixed ladder as good practitioners climb it: simple things first, a check after every rung, rests, a full page
 * before it is called done.
 */
final class Ladder implements Policy {

    static final Ladder CLEAN_FIRST = new Ladder(List.of(
            CLEANING,
            CLEANING,
            REST_SHORT,
            CLEANING,
            CLEANING,
            REST_LONG,
            CLEANING,
            WIPE,
            CLEANING,
            SOAK,
            CLEANING,
            REST_SHORT,
            POWER_CLEANING,
            CLEANING,
            DRAW_AT_WASTE_LINE,
            SOAK_OVERNIGHT,
            CLEANING,
            FLUSH_CAP,
            NEW_CAP,
            CLEANING,
            CLEANING,
            DRAW_AT_INLET,
            DRAW_AT_INLET));
    static final Ladder SHEET_FIRST = new Ladder(List.of(
            PURGE_SHEET,
            PURGE_SHEET,
            REST_SHORT,
            PURGE_SHEET,
            CLEANING,
            CLEANING,
            REST_SHORT,
            CLEANING,
            REST_LONG,
            PURGE_SHEET,
            WIPE,
            CLEANING,
            SOAK,
            CLEANING,
            SOAK_OVERNIGHT,
            CLEANING,
            CLEANING,
            DRAW_AT_WASTE_LINE,
            FLUSH_CAP,
            NEW_CAP,
            CLEANING,
            POWER_CLEANING,
            DRAW_AT_INLET,
            DRAW_AT_INLET));
    static final Ladder POWER_EARLY = new Ladder(List.of(
            CLEANING,
            CLEANING,
            POWER_CLEANING,
            CLEANING,
            POWER_CLEANING,
            WIPE,
            CLEANING,
            SOAK,
            CLEANING,
            REST_LONG,
            CLEANING,
            DRAW_AT_WASTE_LINE,
            NEW_CAP,
            CLEANING));
    static final Ladder SYRINGE_FIRST = new Ladder(List.of(
            PURGE_SHEET,
            DRAW_AT_CARTRIDGE,
            DRAW_AT_WASTE_LINE,
            WIPE,
            SOAK,
            DRAW_AT_WASTE_LINE,
            DRAW_AT_INLET,
            DRAW_AT_INLET,
            REST_SHORT,
            FLUSH_CAP,
            CLEANING,
            SOAK_OVERNIGHT,
            DRAW_AT_WASTE_LINE,
            DRAW_AT_INLET,
            REST_LONG,
            PURGE_SHEET,
            NEW_CAP,
            CLEANING,
            POWER_CLEANING));

    private final List<Treatment> rungs;

    private Ladder(List<Treatment> rungs) {
        this.rungs = rungs;
    }

    @Override
    public End treat(Bedside bed, long seed) {
        bed.check();
        if (bed.shift().shifted()) {
            bed.attempt(Remedy.ALIGN);
        }
        bed.simple();
        bed.check();
        var rungsLeft = new java.util.ArrayDeque<>(rungs);
        var feed = new java.util.ArrayDeque<>(List.of(LOOK_AGAIN, PURGE_SHEET, NEW_DAMPER, FLUSH_LINE, REST_LONG));
        boolean stirred = false;
        while (true) {
            if (bed.machine().parted()) {
                return End.GAVE_UP;
            }
            var failing = bed.progress().failing();
            if (failing.isEmpty()) {
                if (bed.progress().pageGood()) {
                    return End.DONE;
                }
                bed.page();
                continue;
            }
            boolean onlyPage = failing.stream().allMatch(c -> gaps(bed, c) <= 2);
            if (!stirred && failing.stream().anyMatch(ChannelCode::white)) {
                stirred = true;
                climb(bed, AGITATE, whites(failing));
                climb(bed, DRAW_AT_WASTE_LINE, whites(failing));
                continue;
            }
            Treatment next =
                    onlyPage && !feed.isEmpty() ? feed.poll() : rungsLeft.isEmpty() ? feed.poll() : rungsLeft.poll();
            if (next == null) {
                return End.GAVE_UP;
            }
            climb(bed, next, failing);
        }
    }

    private static int gaps(Bedside bed, ChannelCode code) {
        return bed.progress().gaps(code);
    }

    private static Set<ChannelCode> whites(Set<ChannelCode> codes) {
        var whites = new LinkedHashSet<>(codes);
        whites.removeIf(c -> !c.white());
        return whites;
    }

    /** A rung that this machine does not have is passed over. */
    private static void climb(Bedside bed, Treatment t, Set<ChannelCode> failing) {
        var situation = bed.sick().situation();
        boolean there = switch (t) {
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> situation.refillable();
            case DRAW_AT_WASTE_LINE -> situation.wasteLine();
            case FLUSH_LINE -> !situation.refillable();
            case CLEANING, POWER_CLEANING ->
                situation.takes(t, 0).pad() < bed.progress().padRoom()
                        && situation.channels().stream()
                                .allMatch(p -> bed.progress().level(p.code())
                                        > situation.takes(t, 0).mL()
                                                        / situation.channels().size()
                                                + 3);
            default -> true;
        };
        if (!there) {
            return;
        }
        bed.act(t, t.perChannel() ? failing : bed.all());
        bed.check();
    }
}
