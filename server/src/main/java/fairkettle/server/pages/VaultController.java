package fairkettle.server.pages;

import fairkettle.server.benches.Machines;
import fairkettle.server.keys.Installers;
import fairkettle.server.keys.Vault;
import fairkettle.server.web.OnceFilter;
import fairkettle.server.web.PaperFile;
import fairkettle.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class VaultController {

    private final Vault vault;
    private final Installers installers;
    private final Machines machines;

    VaultController(Vault vault, Installers installers, Machines machines) {
        this.installers = installers;
        this.vault = vault;
        this.machines = machines;
    }

    /**
     * @param origin where it came from, which file and version: the seller may vanish
     * @param serial of the machine that it was made for, as it stands on its back; null as the passport has it
     */
    record CodeJson(
            @NotBlank(message = "Type the code.") @Size(max = 200, message = "At most 200 letters.")
            String code,

            @NotNull @Size(max = 300, message = "At most 300 letters.")
            String origin,

            @Nullable @Size(max = 200, message = "At most 200 letters.")
            String licence,

            @Nullable @Size(max = 80, message = "At most 80 letters.")
            String model,

            @Nullable @Size(max = 80, message = "At most 80 letters.")
            String version,

            @Nullable @Size(max = 80, message = "At most 80 letters.")
            String seller,

            @Nullable @Size(max = 80, message = "At most 80 letters.")
            String serial) {

        Vault.Belongs belongs() {
            return new Vault.Belongs(said(licence), said(model), said(version), said(seller), origin);
        }
    }

    private static String said(@Nullable String words) {
        return words == null ? "" : words;
    }

    /** @param licence empty where no licence key is kept with the code */
    record Revealed(String words, String licence) {}

    @GetMapping("/api/vault")
    Vault.Health vaultHealth() {
        return vault.health();
    }

    /** A post, so that nothing fetches it by accident; never kept by a cache. */
    @PostMapping("/api/vault/recovery-key")
    ResponseEntity<Revealed> recoveryKey(HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(new Revealed(vault.recoveryKey(), ""));
    }

    @PutMapping("/api/machines/{machine}/activation-code")
    Vault.Kept storeCode(@PathVariable long machine, @Valid @RequestBody CodeJson code, HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        onlyOne(machine, code.code());
        serial(machines.get(machine), said(code.serial()).strip());
        vault.store(machine, machines.get(machine).name(), code.code(), code.belongs());
        return vault.of(machine).orElseThrow();
    }

    private void onlyOne(long machine, String code) {
        vault.otherThatKeeps(machine, code).ifPresent(other -> {
            throw Problem.refused(
                    "This code is kept for %s already, and a code opens one machine. Look at the serial that it was made for."
                            .formatted(machines.get(other).name()),
                    List.of());
        });
    }

    /** A code opens the one machine that it was made for: two that look alike are told apart by their serials. */
    private void serial(Machines.Machine machine, String serial) {
        var known = machine.papers().serial();
        if (!serial.isEmpty() && known.isBlank()) {
            machines.serial(machine.id(), serial);
            return;
        }
        if (!serial.isEmpty() && !serial.equals(known)) {
            throw Problem.atField(
                    "serial",
                    "The serial of %s is %s. A code for another one does not open it."
                            .formatted(machine.name(), known));
        }
        var alike = machines.all().stream()
                .filter(m -> m.id() != machine.id()
                        && m.built().name().equals(machine.built().name()))
                .map(Machines.Machine::name)
                .toList();
        if (known.isBlank() && !alike.isEmpty()) {
            throw Problem.atField(
                    "serial",
                    "%s %s of the same kind, and a code belongs to one serial. Write down the one on the back of %s."
                            .formatted(String.join(", ", alike), alike.size() == 1 ? "is" : "are", machine.name()));
        }
    }

    @PostMapping("/api/machines/{machine}/activation-code/reveal")
    ResponseEntity<Revealed> revealCode(@PathVariable long machine, HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        var secrets = vault.reveal(machine, machines.get(machine).name());
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(new Revealed(secrets.code(), secrets.licence()));
    }

    @GetMapping("/api/machines/{machine}/installers")
    List<Installers.Installer> installers(@PathVariable long machine) {
        machines.get(machine);
        return installers.of(machine);
    }

    /** A file that is installed from, kept as it came. */
    @PostMapping(path = "/api/machines/{machine}/installers", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    List<Installers.Installer> keepInstaller(
            @PathVariable long machine,
            @RequestParam @NotBlank(message = "Give it a name.") @Size(max = 120, message = "At most 120 letters.")
                    String name,
            @RequestParam(defaultValue = "") @Size(max = 80, message = "At most 80 letters.") String version,
            @RequestParam(defaultValue = "") @Size(max = 200, message = "At most 200 letters.") String origin,
            @RequestBody byte[] installer) {
        installers.keep(
                machine, machines.get(machine).name(), name.strip(), version.strip(), origin.strip(), installer);
        return installers.of(machine);
    }

    @GetMapping("/api/machines/{machine}/installers/{installer}")
    ResponseEntity<byte[]> installer(@PathVariable long machine, @PathVariable long installer) {
        var file = installers.file(machine, installer);
        return PaperFile.download(file.name(), MediaType.APPLICATION_OCTET_STREAM_VALUE, file.bytes());
    }

    @PostMapping("/api/machines/{machine}/installers/{installer}/discarded")
    List<Installers.Installer> discardInstaller(@PathVariable long machine, @PathVariable long installer) {
        installers.discard(machine, installer);
        return installers.of(machine);
    }
}
