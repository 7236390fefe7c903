package fairkettle.server.tools;

import fairkettle.ink.Tool;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Tools that meet ink. */
@RestController
class ToolController {

    private final Tools tools;

    ToolController(Tools tools) {
        this.tools = tools;
    }

    /** @param met “sublimation M”; null for one that met no ink yet @param food whether food ink may still touch it */
    record ToolJson(
            long id, Tool.Kind kind, String label, @Nullable String met, boolean food, boolean rinsed, Instant since) {}

    record NewToolsJson(
            @NotNull Tool.Kind kind,

            @NotNull @Size(max = 40, message = "At most 40 letters.")
            String label,

            @Min(value = 1, message = "One at least.") @Max(value = 40, message = "At most 40 at once.")
            int count) {}

    record RinsedJson(
            @NotEmpty @Size(max = 200, message = "At most 200 at once.")
            List<@NotNull Long> tools) {}

    @GetMapping("/api/tools")
    List<ToolJson> tools() {
        return tools.all().stream()
                .map(k -> new ToolJson(
                        k.tool().id(),
                        k.tool().kind(),
                        k.tool().label(),
                        k.tool().met() == null
                                ? null
                                : "%s %s"
                                        .formatted(
                                                k.tool().met().family().label(),
                                                k.tool().met().colour()),
                        !k.tool().craft(),
                        k.tool().rinsed(),
                        k.since()))
                .toList();
    }

    @PostMapping("/api/tools")
    List<ToolJson> addTools(@Valid @RequestBody NewToolsJson added) {
        tools.add(added.kind(), added.label().strip(), added.count());
        return tools();
    }

    @PostMapping("/api/tools/rinsed")
    List<ToolJson> rinsedTools(@Valid @RequestBody RinsedJson rinsed) {
        tools.rinsed(rinsed.tools());
        return tools();
    }

    @PostMapping("/api/tools/{tool}/gone")
    List<ToolJson> toolGone(@PathVariable long tool) {
        tools.gone(tool);
        return tools();
    }
}
