package fairkettle.server.hob;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class HobController {

    private final Hob hob;

    HobController(Hob hob) {
        this.hob = hob;
    }

    record NewWait(
            @NotBlank(message = "What is waiting?") @Size(max = 60, message = "At most 60 letters.")
            String label,

            @Min(value = 1, message = "At least a minute.") @Max(value = 20160, message = "At most two weeks.")
            int minutes,

            @Nullable Long machine) {}

    @GetMapping("/api/hob")
    List<Hob.Wait> hob() {
        return hob.waits();
    }

    @PostMapping("/api/hob")
    @ResponseStatus(HttpStatus.CREATED)
    List<Hob.Wait> putOnHob(@Valid @RequestBody NewWait wait) {
        hob.put(wait.machine(), wait.label(), Duration.ofMinutes(wait.minutes()));
        return hob.waits();
    }

    @DeleteMapping("/api/hob/{wait}")
    List<Hob.Wait> takeOffHob(@PathVariable long wait) {
        hob.takeOff(wait);
        return hob.waits();
    }
}
