package fairkettle.server.practice;

import fairkettle.clinic.Advice.Question;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Remedy;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.practice.Drawing;
import fairkettle.practice.Drill;
import fairkettle.practice.Sequence;
import fairkettle.server.people.Who;
import fairkettle.server.practice.PracticeBook.PracticeAct;
import fairkettle.server.practice.PracticeBook.Run;
import fairkettle.server.web.Problem;
import fairkettle.standin.machine.SickMachine.Fault;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PracticeController {

    private static final int MOST_ACTS = 120;

    private final PracticeBook book;
    private final Who who;

    PracticeController(PracticeBook book, Who who) {
        this.book = book;
        this.who = who;
    }

    record RunLineJson(
            long id,
            String level,
            Instant begunAt,
            @Nullable Instant endedAt,
            @Nullable Integer score) {}

    record DrillLineJson(
            Drill drill,
            String label,
            String say,
            int questions,
            @Nullable Integer best) {}

    record SequenceLineJson(
            String id, String title, @Nullable Integer best) {}

    record PracticeJson(List<RunLineJson> runs, List<DrillLineJson> drills, List<SequenceLineJson> sequences) {}

    /** @param place on a drawing, from the left; 0 where nothing is drawn */
    record DrillAnswerJson(int number, String words, String then, int place) {}

    /** @param states in no order that tells; one of them is right, the others say what they do */
    record DrillPortJson(String label, List<DrillStateJson> states) {}

    record DrillStateJson(String words, boolean right, String then) {}

    /** @param right the number of the right answer */
    record DrillQuestionJson(
            String id,
            String ask,
            String swatch,
            List<DrillAnswerJson> answers,
            int right,
            List<DrillPortJson> ports,
            @Nullable DrawingJson drawing) {}

    /** What a question shows; one of the four is there. @param squares offsets in tenths of a millimetre */
    record DrawingJson(
            @Nullable CombsJson combs,
            @Nullable List<Integer> squares,
            @Nullable SyringeJson syringe,
            @Nullable FeedingJson line) {

        static DrawingJson of(Drawing drawing) {
            return switch (drawing) {
                case Drawing.Combs(var strokes, var blocks) ->
                    new DrawingJson(
                            new CombsJson(
                                    strokes,
                                    blocks.stream()
                                            .map(b -> new BlockJson(b.label(), b.missing(), b.shifted()))
                                            .toList()),
                            null,
                            null,
                            null);
                case Drawing.Squares(var offsets) -> new DrawingJson(null, offsets, null, null);
                case Drawing.Syringe(var ink, var air, var bubbles) ->
                    new DrawingJson(null, null, new SyringeJson(ink, air, bubbles), null);
                case Drawing.Line(var f) ->
                    new DrawingJson(
                            null,
                            null,
                            null,
                            new FeedingJson(
                                    f.height(), f.vent(), f.valve(), f.damper().label(), f.pump()));
            };
        }
    }

    record CombsJson(int strokes, List<BlockJson> blocks) {}

    record BlockJson(String label, List<Integer> missing, List<Integer> shifted) {}

    /** Shares of its length, 0 to 1. */
    record SyringeJson(double ink, double air, boolean bubbles) {}

    /** @param height of the ink above the nozzles, mm */
    record FeedingJson(int height, boolean vent, boolean valve, String damper, boolean pump) {}

    record DrillJson(Drill drill, String label, String say, List<DrillQuestionJson> questions) {}

    record AnsweredJson(@NotNull @Size(max = 100) Map<String, Integer> answers) {}

    record ScoreJson(int score, int right, int asked) {}

    record SequenceStepJson(int number, String words) {}

    /** @param steps shuffled; their numbers are what is sent back */
    record SequenceJson(String id, String title, List<SequenceStepJson> steps) {}

    record OrderJson(@NotNull @Size(max = 20) List<Integer> order) {}

    record OrderedJson(boolean right, List<String> wrong, List<String> rightOrder) {}

    record BeginPracticeJson(
            @NotNull @Pattern(regexp = "EASY|MIDDLING|HARD|FREE", message = "Easy, middling, hard, or free play.")
            String level,

            @Nullable Long seed) {}

    record ActJson(
            @NotNull String kind,
            @Nullable Treatment treatment,
            @NotNull @Size(max = 12) List<String> channels,
            @Nullable Question question,
            @Nullable Remedy remedy) {}

    record PracticeChannelJson(
            String channel,
            int strokes,
            int tolerated,
            @Nullable List<Integer> missing,
            List<List<Integer>> past) {}

    record PracticeStepJson(String what, String saw, double mL, double hands, double hours) {}

    record UnveiledJson(
            String what,
            String saw,
            String advised,
            int silentBefore,
            int silentAfter,
            List<FaultJson> really,
            boolean helped) {}

    record FaultJson(String channel, List<String> faults) {}

    record DebriefJson(
            int score,
            String verdict,
            List<FaultJson> wasWrong,
            List<UnveiledJson> steps,
            List<String> careful,
            double carefulMl,
            double carefulHands,
            double carefulHours,
            double wastedMl,
            int rulesBroken) {}

    /** @param told what people say of it; some of it is wrong */
    record RunJson(
            long id,
            String level,
            String family,
            List<String> complaints,
            double idleDays,
            boolean dryRoom,
            boolean changedLately,
            boolean refillable,
            boolean wasteLine,
            boolean headOut,
            List<PracticeChannelJson> channels,
            List<PracticeStepJson> steps,
            double mL,
            double padMl,
            double padRoom,
            double hands,
            double hours,
            int hints,
            @Nullable String hint,
            boolean lookDue,
            @Nullable DebriefJson debrief) {}

    @GetMapping("/api/practice")
    PracticeJson practice() {
        var runs = book.latest(who.id());
        return new PracticeJson(
                runs.stream()
                        .filter(r -> !r.level().contains(":"))
                        .map(r -> new RunLineJson(r.id(), r.level(), r.begunAt(), r.endedAt(), r.score()))
                        .toList(),
                Arrays.stream(Drill.values())
                        .map(d -> new DrillLineJson(
                                d, d.label(), d.say(), d.questions().size(), best(runs, "DRILL:" + d.name())))
                        .toList(),
                Sequence.ALL.stream()
                        .map(s -> new SequenceLineJson(s.id(), s.title(), best(runs, "ORDER:" + s.id())))
                        .toList());
    }

    private static @Nullable Integer best(List<Run> runs, String level) {
        return runs.stream()
                .filter(r -> r.level().equals(level))
                .map(Run::score)
                .filter(java.util.Objects::nonNull)
                .max(Integer::compare)
                .orElse(null);
    }

    @GetMapping("/api/practice/drills/{drill}")
    DrillJson drill(@PathVariable Drill drill) {
        return new DrillJson(
                drill,
                drill.label(),
                drill.say(),
                drill.questions().stream()
                        .map(q -> {
                            var order = shuffled(q.answers().size(), q.id());
                            return new DrillQuestionJson(
                                    q.id(),
                                    q.ask(),
                                    q.swatch(),
                                    IntStream.range(0, order.size())
                                            .mapToObj(i -> new DrillAnswerJson(
                                                    i,
                                                    q.answers()
                                                            .get(order.get(i))
                                                            .words(),
                                                    q.answers()
                                                            .get(order.get(i))
                                                            .then(),
                                                    drill.place(q.answers().get(order.get(i)))))
                                            .toList(),
                                    order.indexOf(0),
                                    q.ports().stream()
                                            .map(PracticeController::port)
                                            .toList(),
                                    q.drawing() == null ? null : DrawingJson.of(q.drawing()));
                        })
                        .toList());
    }

    private static DrillPortJson port(Drill.Port port) {
        return new DrillPortJson(
                port.label(),
                Stream.concat(
                                Stream.of(new DrillStateJson(port.right(), true, "")),
                                port.wrong().stream().map(w -> new DrillStateJson(w.words(), false, w.then())))
                        .sorted(Comparator.comparing(DrillStateJson::words))
                        .toList());
    }

    /** The same for the same question, so that an answer means the same here and there. */
    private static List<Integer> shuffled(int n, String id) {
        var order = new ArrayList<>(IntStream.range(0, n).boxed().toList());
        Collections.shuffle(order, new Random(id.hashCode()));
        return order;
    }

    @PostMapping("/api/practice/drills/{drill}")
    ScoreJson answerDrill(@PathVariable Drill drill, @Valid @RequestBody AnsweredJson answered) {
        int asked = 0;
        int right = 0;
        for (var question : drill.questions()) {
            var given = answered.answers().get(question.id());
            if (given != null) {
                asked++;
                right += given
                                == shuffled(question.answers().size(), question.id())
                                        .indexOf(0)
                        ? 1
                        : 0;
            }
        }
        if (asked == 0) {
            throw Problem.atField("answers", "Answer at least one.");
        }
        int score = Math.round(100f * right / drill.questions().size());
        book.answered(who.id(), "DRILL:" + drill.name(), score);
        return new ScoreJson(score, right, asked);
    }

    @GetMapping("/api/practice/sequences/{id}")
    SequenceJson sequence(@PathVariable String id) {
        var found = find(id);
        return new SequenceJson(
                found.id(),
                found.title(),
                shuffled(found.steps().size(), found.id() + "!").stream()
                        .map(i -> new SequenceStepJson(i, found.steps().get(i)))
                        .toList());
    }

    @PostMapping("/api/practice/sequences/{id}")
    OrderedJson orderSequence(@PathVariable String id, @Valid @RequestBody OrderJson ordered) {
        var found = find(id);
        try {
            var wrong = found.wrong(ordered.order());
            book.answered(
                    who.id(),
                    "ORDER:" + id,
                    Math.round(100f
                            * (found.harms().size() - wrong.size())
                            / found.harms().size()));
            return new OrderedJson(wrong.isEmpty(), wrong, found.steps());
        } catch (IllegalArgumentException e) {
            throw Problem.atField("order", "Every step once, please.");
        }
    }

    private static Sequence find(String id) {
        return Sequence.ALL.stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("There is no such sequence (%s).".formatted(id)));
    }

    @PostMapping("/api/practice/runs")
    @ResponseStatus(HttpStatus.CREATED)
    RunJson beginPractice(@Valid @RequestBody BeginPracticeJson begin) {
        long seed = begin.seed() == null ? ThreadLocalRandom.current().nextLong(1, 1_000_000_000) : begin.seed();
        return json(book.get(book.begin(who.id(), begin.level(), seed)));
    }

    @GetMapping("/api/practice/runs/{id}")
    RunJson practiceRun(@PathVariable long id) {
        return json(book.get(id));
    }

    @PostMapping("/api/practice/runs/{id}/acts")
    @Transactional
    RunJson practise(@PathVariable long id, @Valid @RequestBody ActJson act) {
        var run = book.hold(id);
        if (run.endedAt() != null) {
            throw Problem.refused("This one is over. Begin another.", List.of());
        }
        if (run.acts().size() >= MOST_ACTS) {
            throw Problem.refused("Enough: say that it is cured, or give up.", List.of());
        }
        var next = new PracticeAct(act.kind(), act.treatment(), act.channels(), act.question(), act.remedy());
        var acts = new ArrayList<>(run.acts());
        acts.add(next);
        var played = Replay.of(
                new Run(
                        run.id(),
                        run.person(),
                        run.level(),
                        run.seed(),
                        run.begunAt(),
                        null,
                        acts,
                        null,
                        run.version(),
                        run.bench()),
                false);
        boolean ended = played.ended() != null || played.bed().machine().parted();
        book.add(run, next, ended, ended ? played.score(played.careful()) : null);
        return json(book.get(id));
    }

    private static RunJson json(Run run) {
        boolean over = run.endedAt() != null;
        var played = Replay.of(run, over);
        var situation = played.bed().sick().situation();
        var machine = played.bed().machine();
        var looks = played.bed().seen().stream()
                .filter(e -> e instanceof Evidence.Look)
                .map(e -> ((Evidence.Look) e).missing())
                .toList();
        var channels = situation.channels().stream()
                .map(p -> new PracticeChannelJson(
                        p.code().code(),
                        p.strokes(),
                        p.tolerated(),
                        looks.isEmpty() ? null : looks.getLast().getOrDefault(p.code(), List.of()),
                        looks.stream()
                                .map(l -> l.getOrDefault(p.code(), List.of()))
                                .toList()))
                .toList();
        boolean hinted = !run.acts().isEmpty() && run.acts().getLast().kind().equals("HINT");
        return new RunJson(
                run.id(),
                run.level(),
                situation.family().label(),
                situation.complaints().stream().sorted().map(Complaint::label).toList(),
                situation.idleDays(),
                situation.drying() > 1.3,
                situation.changedLately(),
                situation.refillable(),
                situation.wasteLine(),
                situation.headOut(),
                channels,
                played.steps().stream()
                        .map(s -> new PracticeStepJson(s.what(), s.saw(), s.mL(), s.hands(), s.hours()))
                        .toList(),
                machine.ink(),
                machine.pad(),
                situation.padRoom(),
                machine.hands(),
                machine.hours(),
                played.hints(),
                hinted ? played.advice() : null,
                played.bed().progress().lookDue(),
                over ? debrief(played) : null);
    }

    private static DebriefJson debrief(Replay played) {
        var careful = played.careful();
        int score = played.score(careful);
        boolean parted = played.bed().machine().parted();
        var verdict = parted
                ? "The plate has parted: this head is lost."
                : "DONE".equals(played.ended())
                        ? played.cured() ? "Cured, and really so." : "Called cured, and it is not."
                        : played.hopeless()
                                ? "Right to stop: nothing would have helped."
                                : "Given up, though it could be cured.";
        var steps = played.steps().stream()
                .map(s -> new UnveiledJson(
                        s.what(),
                        s.saw(),
                        s.advised(),
                        s.silentBefore(),
                        s.silentAfter(),
                        faults(s.really()),
                        s.silentAfter() < s.silentBefore() || s.what().startsWith("The simple")))
                .toList();
        double wasted = played.steps().stream()
                .filter(s -> s.mL() > .5 && s.silentAfter() >= s.silentBefore())
                .mapToDouble(Replay.Step::mL)
                .sum();
        return new DebriefJson(
                score,
                verdict,
                played.steps().isEmpty()
                        ? List.of()
                        : faults(played.steps().getFirst().really()),
                steps,
                careful.steps(),
                careful.mL(),
                careful.hands(),
                careful.hours(),
                wasted,
                played.bed().rulesBroken());
    }

    private static List<FaultJson> faults(Map<ChannelCode, Set<Fault>> faults) {
        return faults.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .map(e -> new FaultJson(
                        e.getKey().code(),
                        e.getValue().stream().map(PracticeController::words).toList()))
                .toList();
    }

    private static String words(Fault fault) {
        return switch (fault) {
            case DRIED -> "dried ink";
            case DEAD -> "dead nozzles";
            case DIRT -> "dirt from the wiper";
            case AIR -> "air";
            case FILTER -> "loaded filter";
            case SETTLED -> "settled white";
            case SHUT -> "vent, valve or level";
            case GROWTH -> "growth";
            case PINCHED -> "pinched line";
            case SEEPING -> "a joint that lets air in";
            case LOOSE -> "a loose contact";
            case CRUST -> "crusted inlet";
            case SMEAR -> "another ink on the plate";
            case MIXED -> "mixed ink";
            case CAP -> "cap or pump not sealing";
            case WIPER -> "dirty wiper";
            case POSITION -> "position fault";
            case PARTED -> "parted plate";
        };
    }
}
