package fairkettle.server.shop;

import fairkettle.ink.Family;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PresetController {

    private final Presets presets;

    PresetController(Presets presets) {
        this.presets = presets;
    }

    record PresetJson(
            @NotBlank(message = "Which product?") @Size(max = 60, message = "At most 60 letters.")
            String name,

            @NotNull(message = "Choose the ink.") Family family,

            @NotBlank(message = "Which paper, which size?") @Size(max = 80, message = "At most 80 letters.")
            String paper,

            @NotNull @Size(max = 160, message = "At most 160 letters.")
            String settings,

            boolean mirrored,

            @Nullable @Min(value = 20, message = "20 to 300 °C.") @Max(value = 300, message = "20 to 300 °C.")
            Integer pressC,

            @Nullable @Min(value = 1, message = "1 s to an hour.") @Max(value = 3600, message = "1 s to an hour.")
            Integer pressS) {}

    @GetMapping("/api/presets")
    List<Presets.Preset> presets() {
        return presets.all();
    }

    @PostMapping("/api/presets")
    List<Presets.Preset> keepPreset(@Valid @RequestBody PresetJson p) {
        presets.keep(new Presets.Preset(
                0, p.name(), p.family(), p.paper(), p.settings(), p.mirrored(), p.pressC(), p.pressS()));
        return presets.all();
    }

    @PostMapping("/api/presets/{preset}/dropped")
    List<Presets.Preset> dropPreset(@PathVariable long preset) {
        presets.drop(preset);
        return presets.all();
    }
}
