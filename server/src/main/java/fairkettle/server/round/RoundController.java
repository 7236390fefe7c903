package fairkettle.server.round;

import fairkettle.server.round.RoundView.RoundJson;
import fairkettle.server.round.RoundView.WeekJson;
import fairkettle.server.shop.Shop;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RoundController {

    private final RoundService service;
    private final RoundView view;
    private final Shop shop;

    RoundController(RoundService service, RoundView view, Shop shop) {
        this.service = service;
        this.view = view;
        this.shop = shop;
    }

    record BeginJson(
            @NotNull @Size(max = 200) String key, @Nullable Long person) {}

    record TickJson(
            @NotNull @Size(max = 200) String key,
            @Nullable Long person,

            @Nullable @Min(value = 1, message = "At least a minute.") @Max(value = 600, message = "At most ten hours.")
            Integer minutes,

            boolean whole) {}

    record KeyJson(@NotNull @Size(max = 200) String key) {}

    record PinJson(
            @NotNull @Size(max = 200) String key,
            @Nullable Instant at,
            @Nullable Long person) {}

    record ThereJson(@Nullable Instant from, @Nullable Instant to) {}

    @GetMapping("/api/round")
    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = RoundJson.class)))
    ResponseEntity<byte[]> round(
            @Parameter(hidden = true) @RequestHeader(value = HttpHeaders.ACCEPT_ENCODING, required = false) @Nullable
                    String accepted) {
        return view.round().answer(accepted);
    }

    @PostMapping("/api/round/begin")
    RoundJson beginVisit(@Valid @RequestBody BeginJson begin) {
        service.begin(begin.key(), begin.person());
        return view.own();
    }

    @PostMapping("/api/round/done")
    RoundJson tickVisit(@Valid @RequestBody TickJson tick) {
        service.done(tick.key(), tick.person(), tick.minutes(), tick.whole());
        return view.own();
    }

    @PostMapping("/api/round/let-go")
    RoundJson letGo(@Valid @RequestBody KeyJson key) {
        service.letGo(key.key());
        return view.own();
    }

    @PostMapping("/api/round/pin")
    RoundJson pinVisit(@Valid @RequestBody PinJson pin) {
        service.pin(pin.key(), pin.at(), pin.person());
        return view.own();
    }

    @PutMapping("/api/round/people/{person}")
    RoundJson personThere(@PathVariable long person, @Valid @RequestBody ThereJson there) {
        service.there(person, there.from(), there.to());
        return view.own();
    }

    @GetMapping("/api/week")
    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = WeekJson.class)))
    ResponseEntity<byte[]> week(
            @RequestParam(defaultValue = "7") int days,
            @Parameter(hidden = true) @RequestHeader(value = HttpHeaders.ACCEPT_ENCODING, required = false) @Nullable
                    String accepted) {
        return view.week(days).answer(accepted);
    }

    @GetMapping(value = "/api/round/sheet", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> roundSheet(@RequestParam(defaultValue = "a4") String paper) throws IOException {
        var sheet = RoundSheet.of(
                view.roundNow(), shop.settings().name(), shop.settings().zoneId(), paper);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"round.pdf\"")
                .body(sheet);
    }
}
