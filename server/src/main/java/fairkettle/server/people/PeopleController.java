package fairkettle.server.people;

import fairkettle.round.Skill;
import fairkettle.server.live.Live;
import fairkettle.server.shop.ShopSettings;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
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
class PeopleController {

    private final People people;
    private final Live live;

    PeopleController(People people, Live live) {
        this.people = people;
        this.live = live;
    }

    record NewPerson(
            @NotBlank(message = "Type a name.") @Size(max = 40, message = "At most 40 letters.")
            String name) {}

    @GetMapping("/api/people")
    List<People.Person> people() {
        return people.all();
    }

    @PostMapping("/api/people")
    @ResponseStatus(HttpStatus.CREATED)
    People.Person addPerson(@Valid @RequestBody NewPerson person) {
        live.changed("shop");
        return people.add(person.name());
    }

    record OwnJson(
            @Nullable List<ShopSettings.@Valid OpenDay> week,
            @NotNull Set<Skill> leaves) {}

    /** Their own hours, and what they leave to others. */
    @PutMapping("/api/people/{person}")
    List<People.Person> settlePerson(@PathVariable long person, @Valid @RequestBody OwnJson own) {
        if (own.week() != null && own.week().stream().anyMatch(d -> !d.open().isBefore(d.close()))) {
            throw Problem.atField("week", "A day begins before it ends.");
        }
        people.settle(person, new People.Own(own.week(), own.leaves()));
        live.changed("shop");
        return people.all();
    }
}
