package fairkettle.server.printing;

import fairkettle.machine.Fact;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.sheets.SheetBook;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.net.URI;
import java.time.LocalTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PrintController {

    private final Printers printers;
    private final SheetBook book;
    private final Machines machines;
    private final Passports passports;
    private final OwnSheets own;

    PrintController(Printers printers, SheetBook book, Machines machines, Passports passports, OwnSheets own) {
        this.printers = printers;
        this.book = book;
        this.machines = machines;
        this.passports = passports;
        this.own = own;
    }

    /**
     * @param percent as the printer counts; null if it does not say; @param trusted false where its chips are ignored
     *     or it cannot know
     */
    record SupplyJson(String name, @Nullable Integer percent, boolean trusted) {}

    /** @param uri null if none is entered; @param says what it says of itself, in a sentence */
    record PrinterJson(@Nullable String uri, boolean answers, String says, List<SupplyJson> supplies) {}

    /**
     * @param separates true if it prints white by itself, where a page has it as a spot colour; null as false
     * @param passwordPlace where the network’s password is kept, never the password; asked once for each machine
     */
    record PrinterAddressJson(
            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String uri,

            @Nullable Boolean separates,

            @Nullable @Size(max = 400, message = "At most 400 letters.")
            String passwordPlace) {}

    /** @param permission null if it may not */
    record OwnSheetsJson(OwnSheets.@Nullable Permission permission) {}

    record AllowJson(
            boolean allowed,
            @NotNull(message = "From when?") LocalTime from,
            @NotNull(message = "Until when?") LocalTime to,
            boolean transfer,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 2000, message = "At most 2000.")
            int sheetsLeft,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 500, message = "At most 500.")
            int keep) {}

    record PrintJobsJson(@Nullable String uri, boolean separates, List<Printers.Job> jobs) {}

    /** Asks the printer itself, so it may take some seconds. */
    @GetMapping("/api/machines/{machine}/printer")
    PrinterJson printer(@PathVariable long machine) {
        var found = machines.get(machine);
        var uri = printers.of(machine);
        if (uri.isEmpty()) {
            return new PrinterJson(null, false, "No printer is entered.", List.of());
        }
        try {
            var status = new IppClient(URI.create(uri.get()), new PrinterTrust(printers.fingerprint(machine))).status();
            boolean trusted = found.fit().levelsCount();
            return new PrinterJson(
                    uri.get(),
                    true,
                    status.trouble().isEmpty()
                            ? "Ready."
                            : "It says: %s.".formatted(String.join(", ", status.trouble())),
                    status.supplies().stream()
                            .map(s -> new SupplyJson(s.name(), s.percent().orElse(null), trusted))
                            .toList());
        } catch (IOException e) {
            return new PrinterJson(uri.get(), false, "It does not answer (%s).".formatted(e.getMessage()), List.of());
        }
    }

    @PutMapping("/api/machines/{machine}/printer")
    PrintJobsJson setPrinter(@PathVariable long machine, @Valid @RequestBody PrinterAddressJson address) {
        machines.get(machine);
        if (!address.uri().isBlank() && Printers.inNetwork(address.uri())) {
            knowPassword(machine, address.passwordPlace());
        }
        printers.set(machine, address.uri(), Boolean.TRUE.equals(address.separates()));
        return printJobs(machine);
    }

    /** Before the network is set up: whoever does it anew in a year looks for it. */
    private void knowPassword(long machine, @Nullable String place) {
        if (!passports.facts(machine).getOrDefault(Fact.PASSWORD, "").isBlank()) {
            return;
        }
        if (place == null || place.isBlank()) {
            throw Problem.atField(
                    "passwordPlace", "Where is the network’s password kept? Write the place, never the password.");
        }
        passports.write(machine, Fact.PASSWORD, place.strip());
    }

    @GetMapping("/api/machines/{machine}/print-jobs")
    PrintJobsJson printJobs(@PathVariable long machine) {
        return new PrintJobsJson(
                printers.of(machine).orElse(null), printers.separates(machine), printers.jobs(machine));
    }

    @GetMapping("/api/machines/{machine}/own-sheets")
    OwnSheetsJson ownSheets(@PathVariable long machine) {
        return new OwnSheetsJson(own.of(machine).orElse(null));
    }

    /** Lets it print its purge sheets by itself, or not any more. */
    @PutMapping("/api/machines/{machine}/own-sheets")
    OwnSheetsJson allowOwnSheets(@PathVariable long machine, @Valid @RequestBody AllowJson allowed) {
        machines.get(machine);
        own.allow(
                machine,
                allowed.allowed()
                        ? new OwnSheets.Permission(
                                allowed.from(),
                                allowed.to(),
                                allowed.transfer(),
                                allowed.sheetsLeft(),
                                allowed.keep(),
                                null)
                        : null);
        return ownSheets(machine);
    }

    @PostMapping("/api/sheets/{sheet}/print")
    PrintJobsJson printSheet(@PathVariable long sheet) {
        long machine = book.printable(sheet);
        printers.queue(sheet, machine);
        return printJobs(machine);
    }

    @PostMapping("/api/print-jobs/{printing}/cancel")
    PrintJobsJson cancelPrint(@PathVariable long printing) {
        printers.askToCancel(printing);
        return printJobs(printers.job(printing).machine());
    }

    /** Somebody looked into the tray: it is there. */
    @PostMapping("/api/print-jobs/{printing}/came")
    PrintJobsJson printCame(@PathVariable long printing) {
        var settled = printers.settle(printing, true);
        book.printed(settled.sheet());
        return printJobs(settled.machine());
    }

    /** Somebody looked into the tray: it is not there, and will not come. */
    @PostMapping("/api/print-jobs/{printing}/lost")
    PrintJobsJson printLost(@PathVariable long printing) {
        return printJobs(printers.settle(printing, false).machine());
    }
}
