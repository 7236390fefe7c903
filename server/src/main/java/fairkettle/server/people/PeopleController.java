package fairkettle.server.people;

import fairkettle.server.live.Live;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
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

    record NewPerson(@NotBlank(message = "Type a name.") @Size(max = 40, message = "At most 40 letters.") String name) {}

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
}
