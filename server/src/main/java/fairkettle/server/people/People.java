package fairkettle.server.people;

import static fairkettle.db.Tables.PERSON;
import static org.jooq.Records.mapping;

import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
public class People {

    private final DSLContext db;

    People(DSLContext db) {
        this.db = db;
    }

    public record Person(long id, String name) {}

    public List<Person> all() {
        return db.select(PERSON.ID, PERSON.NAME).from(PERSON).where(PERSON.LEFT_SHOP.isFalse()).orderBy(PERSON.NAME)
                .fetch(mapping(Person::new));
    }

    public Person add(String name) {
        return db.insertInto(PERSON).set(PERSON.NAME, name.strip()).returningResult(PERSON.ID, PERSON.NAME).fetchSingle(mapping(Person::new));
    }

    boolean exists(long id) {
        return db.fetchExists(PERSON, PERSON.ID.eq(id));
    }

    String name(long id) {
        return db.select(PERSON.NAME).from(PERSON).where(PERSON.ID.eq(id)).fetchSingle().value1();
    }
}
