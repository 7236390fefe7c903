package fairkettle.server.owed;

import fairkettle.procedure.Owing;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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
class OwedController {

    private final Owed owed;

    OwedController(Owed owed) {
        this.owed = owed;
    }

    record NewTaskJson(
            @NotBlank(message = "What is to be done?") @Size(max = 200, message = "At most 200 letters.")
            String words,

            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String why,

            @Min(value = 0, message = "Today, or later.") @Max(value = 730, message = "Within two years.")
            int inDays,

            @Nullable @Min(value = 1, message = "Every day at most.") @Max(value = 730, message = "Within two years.")
            Integer every) {}

    @GetMapping("/api/machines/{machine}/owed")
    List<Owed.Task> owed(@PathVariable long machine) {
        return owed.of(machine);
    }

    @PostMapping("/api/machines/{machine}/owed")
    @ResponseStatus(HttpStatus.CREATED)
    List<Owed.Task> owe(@PathVariable long machine, @Valid @RequestBody NewTaskJson task) {
        owed.add(
                machine,
                new Owed.NewTask(Owing.OWN, task.words().strip(), task.why().strip(), task.inDays(), task.every()));
        return owed.of(machine);
    }

    @PostMapping("/api/machines/{machine}/owed/{task}/done")
    List<Owed.Task> owedDone(@PathVariable long machine, @PathVariable long task) {
        owed.done(machine, task);
        return owed.of(machine);
    }
}
