package fairkettle.server.benchwork;

import fairkettle.benchwork.BenchCard;
import fairkettle.benchwork.BenchWork;
import fairkettle.benchwork.LineFlush;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile;
import fairkettle.procedure.Procedure;
import fairkettle.procedure.Step;
import fairkettle.routine.Routine;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.cards.CardService;
import fairkettle.server.cards.Cards;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.routines.RoutineService;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BenchWorkController {

    private final Machines machines;
    private final RoutineService routines;
    private final CardService cards;
    private final Shop shop;

    BenchWorkController(Machines machines, RoutineService routines, CardService cards, Shop shop) {
        this.shop = shop;
        this.machines = machines;
        this.routines = routines;
        this.cards = cards;
    }

    /** @param channels it is offered for; @param minutes of hands for all of them; @param dampers that may be fitted */
    record BenchWorkJson(
            BenchWork work,
            String title,
            String when,
            List<String> channels,
            int minutes,
            Millilitres fluid,
            int dampers) {}

    record BeginWork(
            @NotNull(message = "Which work?") BenchWork work,

            @NotNull @Size(max = 40, message = "No machine has so many channels.")
            List<String> channels) {}

    record BeginRoutine(
            @NotNull @Size(max = 40, message = "No machine has so many channels.")
            List<String> channels) {}

    record BegunCard(long card) {}

    /** What can be done at this machine, with what it takes. */
    @GetMapping("/api/machines/{machine}/works")
    List<BenchWorkJson> works(@PathVariable long machine) {
        var found = machines.get(machine);
        return UpkeepBook.family(found)
                .map(family -> Arrays.stream(BenchWork.values())
                        .filter(w -> w.concerns(found.profile(), family))
                        .map(w -> {
                            var channels = w.channels(found.profile());
                            boolean flush = w.flushes();
                            return new BenchWorkJson(
                                    w,
                                    w.title(),
                                    w.when(),
                                    codes(channels),
                                    minutes(BenchCard.of(w, channels, freed(found), family)),
                                    flush ? LineFlush.fluid(channels.size()) : Millilitres.ZERO,
                                    flush ? channels.size() : 0);
                        })
                        .toList())
                .orElse(List.of());
    }

    @PostMapping("/api/machines/{machine}/works")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public BegunCard beginWork(@PathVariable long machine, @Valid @RequestBody BeginWork begin) {
        var found = machines.get(machine);
        var family = family(found);
        var may = begin.work().channels(found.profile());
        if (!begin.work().concerns(found.profile(), family)) {
            throw Problem.refused(
                    "“%s” is nothing for %s.".formatted(begin.work().title(), found.name()), List.of());
        }
        if (begin.work() == BenchWork.LONG_RUN && !shop.settings().airedRoom()) {
            throw Problem.refused(Changeovers.NOT_AIRED, List.of());
        }
        var channels = channels(begin.channels(), may);
        return new BegunCard(cards.care(
                found,
                family,
                found.make(),
                begin.work().title(),
                new Cards.Caring(begin.work(), "", channels),
                BenchCard.of(begin.work(), channels, freed(found), family)));
    }

    @PostMapping("/api/machines/{machine}/routines/{routine}/card")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public BegunCard beginRoutine(
            @PathVariable long machine, @PathVariable String routine, @Valid @RequestBody BeginRoutine begin) {
        var found = machines.get(machine);
        var wanted = routines.routine(found, routine);
        var channels = wanted.scope() == Routine.Scope.MACHINE
                ? List.<ChannelCode>of()
                : channels(
                        begin.channels(),
                        found.profile().codes().stream()
                                .filter(c -> wanted.scope() != Routine.Scope.WHITE || c.white())
                                .toList());
        return new BegunCard(cards.care(
                found,
                family(found),
                found.make(),
                wanted.title(),
                new Cards.Caring(BenchWork.ROUTINE, routine, channels),
                BenchCard.of(wanted, channels, freed(found), family(found))));
    }

    private Profile freed(Machines.Machine machine) {
        return shop.settings().terms(machine.schools(), Map.of()).freed(machine.profile());
    }

    /** In the profile's order; all that it may be for where nothing was chosen. */
    private static List<ChannelCode> channels(List<String> chosen, List<ChannelCode> may) {
        var wanted = chosen.stream().map(ChannelCode::of).toList();
        if (!may.containsAll(wanted)) {
            throw Problem.atField(
                    "channels",
                    "Only for %s.".formatted(may.isEmpty() ? "the whole machine" : String.join(", ", codes(may))));
        }
        return wanted.isEmpty() ? may : may.stream().filter(wanted::contains).toList();
    }

    private static List<String> codes(List<ChannelCode> channels) {
        return channels.stream().map(ChannelCode::code).toList();
    }

    private static int minutes(Procedure procedure) {
        return procedure.steps().stream().mapToInt(Step::minutes).sum();
    }

    private static Family family(Machine machine) {
        return UpkeepBook.family(machine)
                .orElseThrow(() -> Problem.refused(
                        "%s holds no ink yet. Begin with a changeover.".formatted(machine.name()), List.of()));
    }
}
