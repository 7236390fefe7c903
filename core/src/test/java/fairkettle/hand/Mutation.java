package fairkettle.hand;

import fairkettle.ink.Millilitres;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Ways in which a good plan is spoiled: a step left out, two exchanged, a dose doubled, a word changed. */
public enum Mutation {
    NO_GLOVES(without("bench")),
    TAPE_LEFT_IN(without("transit")),
    CARRIAGE_NOT_FREED(without("free")),
    NOT_UNPLUGGED(ticks("free", t -> t.filter(i -> !i.startsWith("cord out")))),
    CORD_BEFORE_THE_REST(ticks("free", Mutation::cordFirst)),
    FREED_LAST(later("free", "screws-out")),
    CLOTH_FORGOTTEN(without("wet-cloth")),
    CLOTH_BEFORE_IT_IS_FREE(earlier("wet-cloth", "free")),
    CLOTH_LEFT_IN(without("cloth-out")),
    CLOTH_SHUT_IN(later("cloth-out", "screws-in")),
    CLOTH_OUT_TOO_EARLY(unless("new-parts", slow("cloth-out", 45))), // a new head has no ink that dries
    COVERS_NOT_OFF(without("screws-out")),
    COVERS_LEFT_OFF(without("screws-in")),
    COVERS_SHUT_TWICE(twice("screws-in")),
    SCREWS_COUNTED_OTHERWISE(counts("screws-in")),
    CAPS_LEFT_SHUT(without("caps-open")),
    CAPS_OPENED_LAST(later("caps-open", "tubes-off")),
    CAPS_LEFT_OPEN(without("caps-shut")),
    TUBES_LEFT_OFF(without("reconnect")),
    FILLED_WITH_TUBES_OFF(later("reconnect", "fill-K")),
    LINES_NOT_JOINED(without("join")),
    POWER_BEFORE_COVERS(earlier("power-on", "screws-in")),
    POWER_NEVER_ON(without("power-on")),
    CHARGED_BEFORE_POWER(earlier("charge", "power-on")),
    CHARGED_EMPTY(without("fill-K")),
    FILLED_TWICE(twice("fill-K")),
    FILL_DOUBLED(dose("fill-K", 2)),
    TOP_UP_TENFOLD(dose("top-up", 10)),
    DRAWN_TENFOLD(dose("pull", 10)),
    DAMPER_DRAWN_TENFOLD(dose("dampers", 10)),
    RINSE_OVER_THE_BRIM(brim(dose("rinse", 40))),
    DAMPER_RINSE_DOUBLED(dose("rinse-damper", 2.5)),
    CHARGE_TOO_LARGE(charge(40)),
    MENU_FORGOTTEN(without("change-menu")),
    OLD_ONES_OUT_BEFORE_THE_MENU(earlier("old-out", "change-menu")),
    PARKED_WITHOUT_CARTRIDGES(later("click-in", "lid-down")),
    NEVER_PARKED(without("lid-down")),
    TOPPED_UP_WHERE_NOBODY_REACHES(without("top-menu")),
    BAR_LEFT_UP(without("bar-back")),
    BAR_LEFT_LOOSE(without("rollers-off")),
    WASTE_LINE_LEFT_OPEN(without("waste-bottle")),
    VENTS_LEFT_PLUGGED(without("vents-open")),
    CARRIED_WITH_NOTHING_SHUT(where("hang", without("shut"))),
    A_PART_THAT_IS_NOT_IN_THE_BOX(says("route", "Shut the valve at the level mark of the constant-head tank.")),
    A_SCREEN_THAT_IS_NOT_THERE(says("caps-open", "Wait until the screen shows it.")),
    A_SENTENCE_NOBODY_KNOWS(renamed("caps-open"));

    private final Function<List<Step>, Optional<List<Step>>> spoil;

    Mutation(Function<List<Step>, Optional<List<Step>>> spoil) {
        this.spoil = spoil;
    }

    /** The spoiled plan; empty where the plan has nothing that could be spoiled so. */
    public Optional<List<Step>> of(List<Step> steps) {
        return spoil.apply(steps);
    }

    private static int at(List<Step> steps, String id) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    private static Function<List<Step>, Optional<List<Step>>> changed(String id, UnaryOperator<Step> change) {
        return steps -> {
            int at = at(steps, id);
            if (at < 0) {
                return Optional.empty();
            }
            var other = change.apply(steps.get(at));
            if (other.equals(steps.get(at))) {
                return Optional.empty();
            }
            var spoiled = new ArrayList<>(steps);
            spoiled.set(at, other);
            return Optional.of(spoiled);
        };
    }

    private static Function<List<Step>, Optional<List<Step>>> without(String id) {
        return steps -> {
            int at = at(steps, id);
            if (at < 0) {
                return Optional.empty();
            }
            var spoiled = new ArrayList<>(steps);
            spoiled.remove(at);
            return Optional.of(spoiled);
        };
    }

    private static Function<List<Step>, Optional<List<Step>>> unless(
            String id, Function<List<Step>, Optional<List<Step>>> spoil) {
        return steps -> at(steps, id) < 0 ? spoil.apply(steps) : Optional.empty();
    }

    private static Function<List<Step>, Optional<List<Step>>> where(
            String id, Function<List<Step>, Optional<List<Step>>> spoil) {
        return steps -> at(steps, id) < 0 ? Optional.empty() : spoil.apply(steps);
    }

    private static Function<List<Step>, Optional<List<Step>>> twice(String id) {
        return steps -> {
            int at = at(steps, id);
            if (at < 0) {
                return Optional.empty();
            }
            var spoiled = new ArrayList<>(steps);
            spoiled.add(at, steps.get(at));
            return Optional.of(spoiled);
        };
    }

    /** The first is done right after the second. */
    private static Function<List<Step>, Optional<List<Step>>> later(String id, String after) {
        return steps -> {
            int from = at(steps, id);
            int to = at(steps, after);
            if (from < 0 || to < from) {
                return Optional.empty();
            }
            var spoiled = new ArrayList<>(steps);
            Collections.rotate(spoiled.subList(from, to + 1), -1);
            return Optional.of(spoiled);
        };
    }

    /** The first is done right before the second. */
    private static Function<List<Step>, Optional<List<Step>>> earlier(String id, String before) {
        return steps -> {
            int from = at(steps, id);
            int to = at(steps, before);
            if (to < 0 || from < to) {
                return Optional.empty();
            }
            var spoiled = new ArrayList<>(steps);
            Collections.rotate(spoiled.subList(to, from + 1), 1);
            return Optional.of(spoiled);
        };
    }

    private static Function<List<Step>, Optional<List<Step>>> ticks(String id, UnaryOperator<Stream<String>> change) {
        return changed(id, step -> {
            if (!(step.ask() instanceof Ask.Ticks(var items, var order))) {
                return step;
            }
            var other = change.apply(items.stream()).toList();
            return other.equals(items) ? step : with(step, step.say(), new Ask.Ticks(other, order), step.move());
        });
    }

    /** Where the carriage comes out under power; a gear is turned without. */
    private static Stream<String> cordFirst(Stream<String> acts) {
        var all = acts.toList();
        return all.stream().anyMatch(a -> a.matches(".*(menu|printing|cleaning started|on again|arrow).*"))
                ? Stream.concat(Stream.of("cord out of the wall, then out of the machine"), all.stream())
                : all.stream();
    }

    private static Function<List<Step>, Optional<List<Step>>> counts(String id) {
        return changed(
                id,
                step -> step.ask() instanceof Ask.Tally(var what, var parts, var against)
                        ? with(
                                step,
                                step.say(),
                                new Ask.Tally(
                                        what,
                                        parts.stream().map(p -> p + ", some").toList(),
                                        against),
                                step.move())
                        : step);
    }

    private static Function<List<Step>, Optional<List<Step>>> says(String id, String words) {
        var no = Pattern.compile(words.contains("screen") ? "screen" : "large bubble");
        return steps -> steps.stream().noneMatch(s -> no.matcher(s.say()).find())
                ? changed(id, step -> with(step, step.say() + " " + words, step.ask(), step.move()))
                        .apply(steps)
                : Optional.empty();
    }

    private static Function<List<Step>, Optional<List<Step>>> slow(String id, int minutes) {
        return changed(
                id,
                step -> Step.step(step.id(), step.title())
                        .say(step.say())
                        .minutes(minutes)
                        .ask(step.ask())
                        .moves(step.move())
                        .build());
    }

    private static Function<List<Step>, Optional<List<Step>>> renamed(String id) {
        return changed(
                id,
                step -> Step.step("something-else", step.title())
                        .say(step.say())
                        .build());
    }

    private static Function<List<Step>, Optional<List<Step>>> dose(String id, double times) {
        return changed(id, step -> {
            if (!(step.ask() instanceof Ask.Grid(var channels, var columns))) {
                return step;
            }
            var more = columns.stream()
                    .map(c -> c.kind() == Ask.ColumnKind.VOLUME
                            ? new Ask.Column(
                                    c.label(),
                                    c.kind(),
                                    c.expected().stream()
                                            .map(v -> new Millilitres(Math.round(v.microlitres() * times)))
                                            .toList())
                            : c)
                    .toList();
            return with(step, step.say(), new Ask.Grid(channels, more), step.move());
        });
    }

    /** Only what is not open at both ends has a brim. */
    private static Function<List<Step>, Optional<List<Step>>> brim(Function<List<Step>, Optional<List<Step>>> spoil) {
        return steps -> steps.stream()
                        .anyMatch(s -> s.move() instanceof Move.Rinse(var reach, var _)
                                && reach.equals(List.of(VesselKind.TUBE)))
                ? Optional.empty()
                : spoil.apply(steps);
    }

    private static Function<List<Step>, Optional<List<Step>>> charge(int times) {
        return changed(
                "charge",
                step -> step.move() instanceof Move.Charge(var channels, var loss)
                        ? with(step, step.say(), step.ask(), new Move.Charge(channels, loss.times(times)))
                        : step);
    }

    private static Step with(Step step, String say, Ask ask, Move move) {
        var other = Step.step(step.id(), step.title())
                .say(say)
                .minutes(step.minutes())
                .ask(ask)
                .moves(move);
        if (step.pause() != null) {
            other.waits(step.pause());
        }
        return other.build();
    }
}
