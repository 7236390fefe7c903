package fairkettle.server.round;

import fairkettle.procedure.StepRun;
import fairkettle.round.Stagger;
import fairkettle.round.Stagger.Away;
import fairkettle.server.benches.Machines;
import fairkettle.server.cards.Cards;
import fairkettle.server.hob.Hob;
import fairkettle.server.promises.Promises;
import fairkettle.server.routines.UpkeepBook;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Objects;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Whether a machine may be away so long without leaving the shop unable to print. */
@RestController
class HoldController {

    private static final Duration SIGHT = Duration.ofDays(4);

    private final Machines machines;
    private final Cards cards;
    private final Hob hob;
    private final Promises promises;
    private final Clock clock;

    HoldController(Machines machines, Cards cards, Hob hob, Promises promises, Clock clock) {
        this.machines = machines;
        this.cards = cards;
        this.hob = hob;
        this.promises = promises;
        this.clock = clock;
    }

    @GetMapping("/api/machines/{machine}/hold")
    Stagger.HoldAnswer hold(
            @PathVariable long machine,
            @RequestParam
                    @Min(value = 0, message = "Not below nothing.")
                    @Max(value = 20_000, message = "At most two weeks.")
                    int minutes) {
        var now = clock.instant();
        machines.get(machine);
        var printers = machines.all().stream()
                .filter(m -> !m.parked())
                .flatMap(m -> UpkeepBook.family(m).map(f -> new Stagger.Printer(m.id(), m.name(), f.label())).stream())
                .toList();
        var away = new ArrayList<Away>();
        cards.carried()
                .forEach(c -> away.add(new Away(
                        c.machine(),
                        now,
                        now.plus(c.card().runs().stream()
                                .filter(StepRun::isOpen)
                                .map(r -> Duration.ofMinutes(r.step().minutes())
                                        .plus(
                                                r.step().pause() == null
                                                        ? Duration.ZERO
                                                        : r.step().pause().min()))
                                .reduce(Duration.ZERO, Duration::plus)),
                        "its card")));
        hob.waits().stream()
                .filter(w -> w.machine() != null)
                .forEach(w -> away.add(
                        new Away(Objects.requireNonNull(w.machine()), w.startedAt(), w.readyAt(), "it rests")));
        var end = now.plus(Duration.ofMinutes(minutes));
        var promised = promises.until(end.plus(SIGHT)).stream()
                .map(p -> new Stagger.Promised(p.machine(), p.words(), p.due(), Duration.ofMinutes(p.minutes())))
                .toList();
        return Stagger.of(
                new Away(machine, now, end, "this"),
                printers,
                away.stream().filter(a -> a.machine() != machine).toList(),
                promised,
                SIGHT);
    }
}
