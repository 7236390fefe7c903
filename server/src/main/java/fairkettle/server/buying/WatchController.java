package fairkettle.server.buying;

import fairkettle.books.Watched;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is scarce, and looked for. */
@RestController
class WatchController {

    private final Watch watch;
    private final Clock clock;

    WatchController(Watch watch, Clock clock) {
        this.watch = watch;
        this.clock = clock;
    }

    /** @param due whether somebody should look again; @param besides how it stands beside others of its engine */
    record WatchedJson(Watched watched, boolean due, boolean toBuy, List<String> besides) {}

    record NewWatchedJson(
            @NotBlank(message = "What is looked for?") @Size(max = 80, message = "At most 80 letters.")
            String what,

            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String engine,

            @NotBlank(message = "Where is it looked for?") @Size(max = 80, message = "At most 80 letters.")
            String seller,

            @Nullable @Min(value = 0, message = "Not below nothing.")
            Long ceiling,

            boolean remote,
            boolean spares,

            @Min(value = 1, message = "Once a day at most.") @Max(value = 90, message = "Within 90 days.")
            int every) {}

    record LookedAtJson(
            @NotNull(message = "Is it there?") Watched.State state,

            @Nullable @Min(value = 0, message = "Not below nothing.")
            Long price) {}

    @GetMapping("/api/watched")
    List<WatchedJson> watched() {
        var all = watch.all();
        var now = clock.instant();
        return all.stream()
                .map(w -> new WatchedJson(w, w.due(now), w.toBuy(), w.besides(all)))
                .toList();
    }

    @PostMapping("/api/watched")
    @ResponseStatus(HttpStatus.CREATED)
    List<WatchedJson> addWatched(@Valid @RequestBody NewWatchedJson wanted) {
        watch.add(new Watched(
                0,
                wanted.what().strip(),
                wanted.engine().strip(),
                wanted.seller().strip(),
                Watched.State.NOT_LOOKED,
                null,
                wanted.ceiling(),
                wanted.remote(),
                wanted.spares(),
                wanted.every(),
                null));
        return watched();
    }

    /** Somebody looked where it is sold. */
    @PutMapping("/api/watched/{watched}/seen")
    List<WatchedJson> watchedSeen(@PathVariable long watched, @Valid @RequestBody LookedAtJson looked) {
        watch.seen(watched, looked.state(), looked.price());
        return watched();
    }

    @PostMapping("/api/watched/{watched}/gone")
    List<WatchedJson> watchedNoMore(@PathVariable long watched) {
        watch.noMore(watched);
        return watched();
    }
}
