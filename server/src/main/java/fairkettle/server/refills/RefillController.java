package fairkettle.server.refills;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RefillController {

    private final Refills refills;

    RefillController(Refills refills) {
        this.refills = refills;
    }

    record RefillJson(
            @NotBlank String channel,
            long lot,

            @NotNull(message = "How much was poured, in mL?")
            Millilitres poured,

            boolean ranDry,
            boolean chipReset,

            @Nullable
            @DecimalMin(value = "0", message = "0 to 100 %.")
            @DecimalMax(value = "1", message = "0 to 100 %.")
            Double says,

            @Nullable Boolean intoReserve) {}

    record TriggerJson(
            @Nullable
            @DecimalMin(value = "0.05", message = "5 to 90 %.")
            @DecimalMax(value = "0.9", message = "5 to 90 %.")
            Double share) {}

    @GetMapping("/api/machines/{machine}/refills")
    Refills.Refillable refills(@PathVariable long machine) {
        return refills.of(machine);
    }

    @PostMapping("/api/machines/{machine}/refills")
    @ResponseStatus(HttpStatus.CREATED)
    Refills.Refillable refill(@PathVariable long machine, @Valid @RequestBody RefillJson poured) {
        refills.pour(
                machine,
                new Refills.NewRefill(
                        ChannelCode.of(poured.channel()),
                        poured.lot(),
                        poured.poured(),
                        poured.ranDry(),
                        poured.chipReset(),
                        poured.says(),
                        Boolean.TRUE.equals(poured.intoReserve())),
                null);
        return refills.of(machine);
    }

    @PostMapping("/api/machines/{machine}/refills/{channel}/struck")
    Refills.Refillable strikeRefill(@PathVariable long machine, @PathVariable String channel) {
        refills.strike(machine, ChannelCode.of(channel));
        return refills.of(machine);
    }

    @PutMapping("/api/machines/{machine}/refills/trigger")
    Refills.Refillable refillTrigger(@PathVariable long machine, @Valid @RequestBody TriggerJson trigger) {
        refills.trigger(machine, trigger.share());
        return refills.of(machine);
    }
}
