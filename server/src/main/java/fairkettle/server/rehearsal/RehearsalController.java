package fairkettle.server.rehearsal;

import fairkettle.changeover.Answer;
import fairkettle.hand.Glossary;
import fairkettle.hand.Glossary.Term;
import fairkettle.hand.LiteralHand;
import fairkettle.hand.Rehearsal;
import fairkettle.ink.ChannelCode;
import fairkettle.machine.Profile;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Step;
import fairkettle.procedure.StepRun;
import fairkettle.server.benches.Machines;
import fairkettle.server.cards.Cards;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.changeover.WishQuery;
import fairkettle.server.web.Problem;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** A plan, or a card that nobody has begun, as a rehearsal: it changes nothing, and is worked out anew each time. */
@RestController
class RehearsalController {

    private final Changeovers changeovers;
    private final Machines machines;
    private final Cards cards;

    RehearsalController(Changeovers changeovers, Machines machines, Cards cards) {
        this.changeovers = changeovers;
        this.machines = machines;
        this.cards = cards;
    }

    record RehearsalJson(long machine, String name, String title, List<SceneryJson> steps) {}

    /** @param looks what the step asks to be ticked or entered, in short */
    record SceneryJson(
            String id,
            String part,
            String title,
            String say,
            @Nullable String hold,
            @Nullable String irreversible,
            int minutes,
            List<String> looks,
            List<Term> words,
            List<RehearsedChoiceJson> choices,
            SceneJson after) {}

    /** @param harm what it would have done; empty for the right one */
    record RehearsedChoiceJson(String title, List<HarmJson> harm) {}

    record HarmJson(String what, String words) {}

    /** The simulated machine. */
    record SceneJson(String power, String head, boolean gloves, List<String> open, List<TankJson> tanks) {}

    /** @param share of it that is full, 0 to 1 */
    record TankJson(String channel, double share) {}

    @GetMapping("/api/machines/{machine}/rehearsal")
    RehearsalJson rehearsePlan(@PathVariable long machine, @ParameterObject WishQuery query) {
        var wish = query.on(machine);
        var job = changeovers.job(wish);
        return switch (changeovers.plan(wish)) {
            case Answer.Refused(var reason) -> throw Problem.refused(reason, List.of());
            case Answer.NotSo(var reason, var instead) -> throw Problem.refused(reason + " " + instead, List.of());
            case Answer.Planned(var plan) ->
                rehearsal(
                        machines.get(machine),
                        plan.route().label(),
                        job.profile(),
                        job.built().fitted(plan.fit()),
                        LiteralHand.Start.of(job),
                        plan.procedure().steps());
        };
    }

    @GetMapping("/api/cards/{card}/rehearsal")
    RehearsalJson rehearseCard(@PathVariable long card) {
        var kept = cards.get(card);
        var machine = machines.get(kept.machine());
        if (!kept.card().done().isEmpty()) {
            throw Problem.refused(
                    "This card has been begun: what is done in earnest cannot be rehearsed any more.", List.of());
        }
        var after = kept.changeover()
                ? machine.built().fitted(machines.fit(kept.fitAfter(), machine.built()))
                : machine.profile();
        return rehearsal(
                machine,
                kept.title(),
                machine.profile(),
                after,
                LiteralHand.Start.running(machine.profile()),
                kept.card().runs().stream().map(StepRun::step).toList());
    }

    private static RehearsalJson rehearsal(
            Machines.Machine machine,
            String title,
            Profile before,
            Profile after,
            LiteralHand.Start start,
            List<Step> steps) {
        return new RehearsalJson(
                machine.id(),
                machine.name(),
                title,
                Rehearsal.of(before, after, start, steps).stream()
                        .map(RehearsalController::scenery)
                        .toList());
    }

    private static SceneryJson scenery(Rehearsal.Scenery scenery) {
        var step = scenery.step();
        return new SceneryJson(
                step.id(),
                step.part(),
                step.title(),
                step.say(),
                step.hold(),
                step.irreversible(),
                step.minutes(),
                looks(step.ask()),
                Glossary.terms(step),
                scenery.choices().stream()
                        .map(c -> new RehearsedChoiceJson(
                                c.title(),
                                c.harm().stream()
                                        .map(f -> new HarmJson(f.harm().label(), f.words()))
                                        .toList()))
                        .toList(),
                scene(scenery.after()));
    }

    private static SceneJson scene(LiteralHand.Scene scene) {
        return new SceneJson(
                scene.power(),
                scene.head(),
                scene.gloves(),
                scene.open(),
                scene.tanks().entrySet().stream()
                        .map(e -> new TankJson(e.getKey().code(), e.getValue()))
                        .toList());
    }

    private static List<String> looks(Ask ask) {
        return switch (ask) {
            case Ask.Ticks(var items, var _) -> items;
            case Ask.Tally(var what, var parts, var _) ->
                parts.stream().map(p -> what + ": " + p).toList();
            case Ask.Grid(var channels, var columns) ->
                columns.stream()
                        .map(c -> "%s, for %s".formatted(c.label(), String.join(" ", codes(channels))))
                        .toList();
            case Ask.InOrder(var channels, var done) ->
                codes(channels).stream().map(c -> c + ": " + done).toList();
            case Ask.Each(var question, var items, var _, var _, var _) ->
                items.stream().map(i -> i + ": " + question).toList();
            case Ask.Choice(var question, var _) -> List.of(question);
            case Ask.Words(var what) -> List.of("Write down: " + what);
            case Ask.Acknowledge(var words) -> List.of(words);
            case Ask.Count(var what, var _) -> List.of("Count: " + what);
            case Ask.Lots _ -> List.of("The code on each bottle, read against its slot");
            case Ask.Comb _ -> List.of("Each stroke that is missing, tapped");
            case Ask.Picks(var patterns, var _, var _) -> patterns;
            case Ask.KeyStored _ -> List.of("The activation code lies in the vault");
            case Ask.Photo _ -> List.of("A photo");
            case Ask.Done _ -> List.of();
        };
    }

    private static List<String> codes(List<ChannelCode> channels) {
        return channels.stream().map(ChannelCode::code).toList();
    }
}
