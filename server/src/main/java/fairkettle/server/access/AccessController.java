package fairkettle.server.access;

import fairkettle.server.people.People;
import fairkettle.server.people.Who;
import fairkettle.server.web.OnceFilter;
import fairkettle.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Coming in and going out; and for the owner, who may. */
@RestController
class AccessController {

    private final Door door;
    private final Accounts accounts;
    private final Sessions sessions;
    private final People people;
    private final Who who;

    AccessController(Door door, Accounts accounts, Sessions sessions, People people, Who who) {
        this.door = door;
        this.accounts = accounts;
        this.sessions = sessions;
        this.people = people;
        this.who = who;
    }

    /** Somebody who may come in on this tablet with a PIN. */
    record PinJson(long id, String name) {}

    /**
     * @param closed whether people sign in here
     * @param first whether nobody owns the shop yet
     * @param demo whether its people may be taken as one likes
     * @param person who signed in; null for nobody
     * @param password whether they have one, which they can change
     * @param device this tablet; null if the owner did not let it in
     * @param pins who may come in on it with a PIN
     */
    record SessionJson(
            boolean closed,
            boolean first,
            boolean demo,
            @Nullable Long person,
            @Nullable String name,
            @Nullable Role role,
            boolean password,
            Sessions.@Nullable Device device,
            List<PinJson> pins) {}

    record PasswordJson(
            @NotBlank(message = "Type your name.") @Size(max = 40)
            String name,

            @NotBlank(message = "Type your password.") @Size(max = 200)
            String password) {}

    record PinSaidJson(
            @NotNull Long person,

            @NotBlank(message = "Type your PIN.") @Size(max = 8)
            String pin) {}

    record FirstJson(
            @NotBlank(message = "The start command shows it.") @Size(max = 20)
            String code,

            @NotBlank(message = "Type your name.") @Size(max = 40, message = "At most 40 letters.")
            String name,

            @NotBlank(message = "Type a password.") @Size(max = 200)
            String password) {}

    record NewPasswordJson(
            @NotBlank(message = "Type the one you have.") @Size(max = 200)
            String old,

            @NotBlank(message = "Type the new one.") @Size(max = 200)
            String password) {}

    @GetMapping("/api/session")
    SessionJson session(HttpServletRequest request) {
        var account =
                Optional.ofNullable((Long) request.getAttribute(Who.SIGNED_IN)).flatMap(accounts::of);
        return said(request, account.orElse(null));
    }

    private SessionJson said(HttpServletRequest request, Accounts.@Nullable Account account) {
        var device = device(request);
        return new SessionJson(
                door.closed(),
                door.closed() && !door.demo() && !accounts.anyOwner(),
                door.demo(),
                account == null ? null : (Long) account.person(),
                account == null ? null : account.name(),
                account == null ? null : account.role(),
                account != null && account.password(),
                device.orElse(null),
                device.isEmpty()
                        ? List.of()
                        : accounts.all().stream()
                                .filter(Accounts.Account::pin)
                                .map(a -> new PinJson(a.person(), a.name()))
                                .toList());
    }

    private Optional<Sessions.Device> device(HttpServletRequest request) {
        return Cookies.of(request, Cookies.DEVICE).flatMap(sessions::device);
    }

    /** With a name and a password, at a desk. */
    @PostMapping("/api/session")
    SessionJson signIn(
            @Valid @RequestBody PasswordJson said, HttpServletRequest request, HttpServletResponse response) {
        var account = accounts.byPassword(said.name(), said.password(), "address " + request.getRemoteAddr());
        return come(account, null, Sessions.AT_A_DESK, request, response);
    }

    /** With a PIN, on a tablet that the owner let in. */
    @PostMapping("/api/session/pin")
    SessionJson signInByPin(
            @Valid @RequestBody PinSaidJson said, HttpServletRequest request, HttpServletResponse response) {
        var device = device(request)
                .orElseThrow(() -> Problem.unsigned("The owner did not let this tablet in. Use your password."));
        var account = accounts.byPin(said.person(), said.pin(), "device " + device.id());
        return come(account, device.id(), Sessions.ON_A_TABLET, request, response);
    }

    /** The owner of a shop that nobody owns: shows the code that the start command said. */
    @PostMapping("/api/session/first")
    SessionJson firstOwner(
            @Valid @RequestBody FirstJson said, HttpServletRequest request, HttpServletResponse response) {
        if (accounts.anyOwner()) {
            throw Problem.unsigned("This shop has its owner. Sign in.");
        }
        var person = people.all().stream()
                .filter(p -> p.name().equalsIgnoreCase(said.name().strip()))
                .map(People.Person::id)
                .findFirst()
                .orElseGet(() -> people.add(said.name()).id());
        door.checkFirst(said.code());
        accounts.settle(person, Role.OWNER, said.password(), null);
        return come(accounts.of(person).orElseThrow(), null, Sessions.AT_A_DESK, request, response);
    }

    /** In the demo alone: as its owner, at one tap. */
    @PostMapping("/api/session/demo")
    SessionJson demoOwner(HttpServletRequest request, HttpServletResponse response) {
        if (!door.demo()) {
            throw Problem.unsigned("This is no demo.");
        }
        var owner = people.all().stream()
                .min(Comparator.comparingLong(People.Person::id))
                .orElseThrow(() -> Problem.unsigned("Nobody works here yet."));
        if (accounts.of(owner.id()).isEmpty()) {
            accounts.settle(owner.id(), Role.OWNER, null, null);
        }
        return come(accounts.of(owner.id()).orElseThrow(), null, Sessions.AT_A_DESK, request, response);
    }

    private SessionJson come(
            Accounts.Account account,
            @Nullable Long device,
            Duration lasts,
            HttpServletRequest request,
            HttpServletResponse response) {
        OnceFilter.keepNoAnswer(request); // a tap that is repeated gets a key of its own
        Cookies.keep(request, response, Cookies.SESSION, sessions.begin(account.person(), device, lasts), lasts);
        return said(request, account);
    }

    @DeleteMapping("/api/session")
    SessionJson signOut(HttpServletRequest request, HttpServletResponse response) {
        Cookies.of(request, Cookies.SESSION).ifPresent(sessions::end);
        Cookies.forget(request, response, Cookies.SESSION);
        return said(request, null);
    }

    /** On every device at once. */
    @DeleteMapping("/api/sessions")
    SessionJson signOutEverywhere(HttpServletRequest request, HttpServletResponse response) {
        if (who.id() instanceof Long person) {
            sessions.endAll(person);
        }
        Cookies.forget(request, response, Cookies.SESSION);
        return said(request, null);
    }

    /** A new password for oneself; everywhere else one is signed out. */
    @PutMapping("/api/session/password")
    SessionJson changePassword(
            @Valid @RequestBody NewPasswordJson said, HttpServletRequest request, HttpServletResponse response) {
        if (!(who.id() instanceof Long person)) {
            throw Problem.unsigned("Sign in first. Nothing was saved.");
        }
        var account = accounts.byOwnPassword(person, said.old(), "address " + request.getRemoteAddr());
        accounts.setPassword(account.person(), said.password());
        sessions.endAll(account.person());
        return come(account, null, Sessions.AT_A_DESK, request, response);
    }

    // ---- for the owner

    /** @param sessions devices on which they are signed in */
    record MayJson(long person, String name, @Nullable Role role, boolean password, boolean pin, int sessions) {}

    record AccessJson(boolean closed, List<MayJson> people, List<Sessions.Device> devices) {}

    record SettleJson(
            @NotNull(message = "What may they do?") Role role,
            @Nullable @Size(max = 200) String password,
            @Nullable @Size(max = 8) String pin) {}

    record DeviceJson(
            @NotBlank(message = "Give it a name.") @Size(max = 40, message = "At most 40 letters.")
            String name) {}

    @GetMapping("/api/access")
    AccessJson access() {
        var known = accounts.all();
        return new AccessJson(
                door.closed(),
                people.all().stream()
                        .map(p -> known.stream()
                                .filter(a -> a.person() == p.id())
                                .findFirst()
                                .map(a -> new MayJson(
                                        a.person(), a.name(), a.role(), a.password(), a.pin(), sessions.of(a.person())))
                                .orElseGet(() -> new MayJson(p.id(), p.name(), null, false, false, 0)))
                        .toList(),
                sessions.devices());
    }

    /** What somebody may do, and a new password or PIN for them; with those they are signed out everywhere but here. */
    @PutMapping("/api/access/{person}")
    AccessJson settleAccess(
            @PathVariable long person, @Valid @RequestBody SettleJson said, HttpServletRequest request) {
        OnceFilter.keepNoAnswer(request);
        if (people.all().stream().noneMatch(p -> p.id() == person)) {
            throw Problem.notFound("There is no such person (%d).".formatted(person));
        }
        accounts.settle(person, said.role(), said.password(), said.pin());
        if (said.password() != null || said.pin() != null) {
            sessions.endOthers(person, Cookies.of(request, Cookies.SESSION).orElse(""));
        }
        return access();
    }

    /** They come in nowhere any more; what they did stays theirs. */
    @DeleteMapping("/api/access/{person}")
    AccessJson endAccess(@PathVariable long person) {
        accounts.end(person);
        sessions.endAll(person);
        return access();
    }

    @DeleteMapping("/api/access/{person}/sessions")
    AccessJson endSessions(@PathVariable long person) {
        sessions.endAll(person);
        return access();
    }

    /** Lets this very tablet in: from now on a PIN is enough on it. One that is in already gets the new name. */
    @PostMapping("/api/devices")
    AccessJson enrol(@Valid @RequestBody DeviceJson said, HttpServletRequest request, HttpServletResponse response) {
        OnceFilter.keepNoAnswer(request);
        device(request)
                .ifPresentOrElse(
                        known -> sessions.rename(known.id(), said.name()),
                        () -> Cookies.keep(
                                request,
                                response,
                                Cookies.DEVICE,
                                sessions.enrol(said.name(), who.id()),
                                Cookies.FOR_GOOD));
        return access();
    }

    @DeleteMapping("/api/devices/{device}")
    AccessJson endDevice(@PathVariable long device) {
        sessions.endDevice(device);
        return access();
    }
}
