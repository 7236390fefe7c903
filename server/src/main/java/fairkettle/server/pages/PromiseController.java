package fairkettle.server.pages;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.server.benches.Machines;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.promises.Promises;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PromiseController {

    private final Promises promises;
    private final Machines machines;
    private final Shop shop;

    PromiseController(Promises promises, Machines machines, Shop shop) {
        this.shop = shop;
        this.promises = promises;
        this.machines = machines;
    }

    record NewPromiseJson(
            @NotBlank(message = "What is promised, and to whom?") @Size(max = 200, message = "At most 200 letters.")
            String words,

            @NotNull(message = "For when?") Instant due,

            @Nullable @Min(value = 1, message = "At least a minute.") @Max(value = 1440, message = "At most a day.")
            Integer minutes) {}

    @GetMapping("/api/machines/{machine}/promises")
    List<Promises.Promise> promises(@PathVariable long machine) {
        return promises.of(machine);
    }

    @PostMapping("/api/machines/{machine}/promises")
    @ResponseStatus(HttpStatus.CREATED)
    List<Promises.Promise> promise(@PathVariable long machine, @Valid @RequestBody NewPromiseJson promise) {
        var found = machines.get(machine);
        if (!shop.settings().airedRoom()
                && found.holdings().values().stream()
                        .anyMatch(h -> h.ink().filter(f -> f == Family.FILM).isPresent())) {
            throw Problem.refused(Changeovers.NOT_AIRED, List.of());
        }
        if (found.holdings().values().stream().noneMatch(Holding.Inked.class::isInstance)) {
            throw Problem.refused(
                    "%s cannot be promised for: %s. Plan a changeover first."
                            .formatted(
                                    found.name(),
                                    found.parked() ? "it rests on fluid" : "it holds no ink that is known"),
                    List.of());
        }
        promises.add(
                machine, promise.words().strip(), promise.due(), promise.minutes() == null ? 60 : promise.minutes());
        return promises.of(machine);
    }

    @PostMapping("/api/machines/{machine}/promises/{promise}/kept")
    List<Promises.Promise> promiseKept(@PathVariable long machine, @PathVariable long promise) {
        promises.kept(machine, promise);
        return promises.of(machine);
    }
}
