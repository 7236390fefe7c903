package fairkettle.server.profiles;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Capabilities;
import fairkettle.machine.Chips;
import fairkettle.machine.NozzlePattern;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
class ProfileController {

    private final ProfileBook book;

    ProfileController(ProfileBook book) {
        this.book = book;
    }

    record ProfileJson(
            String id,
            String name,
            @Nullable String copiedFrom,
            String architecture,
            List<String> channels,
            Millilitres firstVessel,
            String built,
            List<Chips> chips,
            List<String> chipWords,
            boolean resetByHand,
            Capabilities capable,
            boolean screen,
            List<ChannelPathJson> paths,
            Profile.Draws draws,
            Millilitres padCapacity,
            PatternJson pattern) {}

    /**
     * @param nozzles strokes of each channel
     * @param pitch mm that each is lower than the one before
     * @param stroke mm, its length
     * @param gap mm between blocks
     * @param order slots from left to right, from 0
     */
    record PatternJson(
            @Min(value = 4, message = "At least four strokes.") @Max(value = 800, message = "At most 800 strokes.")
            int nozzles,

            int steps,
            double pitch,
            double stroke,
            double gap,
            @NotNull List<Integer> order) {}

    record ChannelPathJson(String code, List<MeasureJson> vessels) {}

    record MeasureJson(VesselKind kind, String label, Millilitres capacity, Millilitres heel) {}

    record CopyJson(
            @NotBlank(message = "Copy which one?") String from,

            @NotBlank(message = "Give it a name of your own.") @Size(max = 60, message = "At most 60 letters.")
            String name,

            @NotNull List<@Valid MeasuredJson> measured,
            @NotNull Map<String, Millilitres> draws,
            @Nullable Millilitres padCapacity) {}

    record CorrectJson(@NotNull List<@Valid MeasuredJson> measured) {}

    /** @param channel null for all of them */
    record MeasuredJson(
            @Nullable String channel,
            @NotNull(message = "Which vessel?") VesselKind vessel,

            @NotNull(message = "How much does it hold, in mL?")
            Millilitres capacity,

            @NotNull(message = "How much stays behind, in mL?")
            Millilitres heel) {

        ProfileBook.Measured measured() {
            return new ProfileBook.Measured(Optional.ofNullable(channel).map(ChannelCode::of), vessel, capacity, heel);
        }
    }

    @GetMapping("/api/profiles")
    List<ProfileJson> profiles() {
        return book.all().stream()
                .map(l -> json(l.profile(), l.copiedFrom().orElse(null)))
                .toList();
    }

    @PostMapping("/api/profiles")
    @ResponseStatus(HttpStatus.CREATED)
    ProfileJson copyProfile(@Valid @RequestBody CopyJson copy) {
        var id = book.copy(
                copy.from(),
                copy.name(),
                copy.measured().stream().map(MeasuredJson::measured).toList(),
                copy.draws(),
                Optional.ofNullable(copy.padCapacity()));
        return json(book.named(id), book.named(copy.from()).name());
    }

    @PostMapping("/api/profiles/{profile}/measures")
    ProfileJson correctProfile(@PathVariable String profile, @Valid @RequestBody CorrectJson measures) {
        book.correct(
                profile,
                measures.measured().stream().map(MeasuredJson::measured).toList());
        return json(book.named(profile), "");
    }

    @PutMapping("/api/profiles/{profile}/pattern")
    ProfileJson setPattern(@PathVariable String profile, @Valid @RequestBody PatternJson pattern) {
        book.pattern(
                profile,
                new NozzlePattern(pattern.steps(), pattern.pitch(), pattern.stroke(), pattern.gap(), pattern.order()),
                pattern.nozzles());
        return json(book.named(profile), "");
    }

    private static ProfileJson json(Profile p, @Nullable String copiedFrom) {
        return new ProfileJson(
                p.id(),
                p.name(),
                copiedFrom,
                p.architecture().label(),
                p.codes().stream().map(ChannelCode::code).toList(),
                p.channels().getFirst().first().capacity(),
                p.built().label(),
                p.chips(),
                p.chips().stream().map(Chips::label).toList(),
                p.resetByHand(),
                p.capable(),
                p.handling().panel().screen(),
                p.channels().stream()
                        .map(c -> new ChannelPathJson(
                                c.code().code(),
                                c.path().stream()
                                        .map(v -> new MeasureJson(
                                                v.kind(), v.kind().label(), v.capacity(), v.heel()))
                                        .toList()))
                        .toList(),
                p.draws(),
                p.padCapacity(),
                new PatternJson(
                        p.channels().getFirst().nozzles(),
                        p.pattern().steps(),
                        p.pattern().pitch(),
                        p.pattern().stroke(),
                        p.pattern().gap(),
                        p.pattern().order()));
    }
}
