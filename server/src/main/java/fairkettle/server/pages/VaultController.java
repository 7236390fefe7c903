package fairkettle.server.pages;

import fairkettle.server.benches.Machines;
import fairkettle.server.keys.Vault;
import fairkettle.server.web.OnceFilter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class VaultController {

    private final Vault vault;
    private final Machines machines;

    VaultController(Vault vault, Machines machines) {
        this.vault = vault;
        this.machines = machines;
    }

    /** @param origin where it came from, which file and version: the seller may vanish */
    record CodeJson(
            @NotBlank(message = "Type the code.") @Size(max = 200, message = "At most 200 letters.")
            String code,

            @NotNull @Size(max = 300, message = "At most 300 letters.")
            String origin) {}

    record Revealed(String words) {}

    @GetMapping("/api/vault")
    Vault.Health vaultHealth() {
        return vault.health();
    }

    /** A post, so that nothing fetches it by accident; never kept by a cache. */
    @PostMapping("/api/vault/recovery-key")
    ResponseEntity<Revealed> recoveryKey(HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(new Revealed(vault.recoveryKey()));
    }

    @PutMapping("/api/machines/{machine}/activation-code")
    Vault.Kept storeCode(@PathVariable long machine, @Valid @RequestBody CodeJson code, HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        vault.store(machine, machines.get(machine).name(), code.code(), code.origin());
        return vault.of(machine).orElseThrow();
    }

    @PostMapping("/api/machines/{machine}/activation-code/reveal")
    ResponseEntity<Revealed> revealCode(@PathVariable long machine, HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(new Revealed(vault.reveal(machine, machines.get(machine).name())));
    }
}
