package fairkettle.server.people;

import static fairkettle.db.Tables.PERSON;

import fairkettle.round.Skill;
import fairkettle.server.shop.ShopSettings;
import fairkettle.server.web.Problem;
import java.time.DayOfWeek;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

@Repository
public class People {

    private final DSLContext db;
    private final JsonMapper json;

    People(DSLContext db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /** @param own their hours and what they leave to others */
    public record Person(long id, String name, Own own) {}

    /**
     * What one person does otherwise than the shop.
     *
     * @param week hours by day; null for the shop’s own. A day that is missing is a free day
     * @param leaves work that is left to others
     */
    public record Own(@Nullable List<ShopSettings.OpenDay> week, Set<Skill> leaves) {
        static final Own NOTHING = new Own(null, Set.of());

        public Own {
            week = week == null ? null : List.copyOf(week);
            leaves = Set.copyOf(leaves);
        }

        /** Hours on a weekday: null if the shop’s own hold; empty if it is a free day. */
        public @Nullable Optional<ShopSettings.OpenDay> on(DayOfWeek day) {
            return week == null
                    ? null
                    : week.stream().filter(d -> d.day() == day).findFirst();
        }
    }

    public List<Person> all() {
        return db.selectFrom(PERSON)
                .where(PERSON.LEFT_SHOP.isFalse())
                .orderBy(PERSON.NAME)
                .fetch(r -> new Person(r.getId(), r.getName(), own(r.getSettings())));
    }

    public Person add(String name) {
        return db.insertInto(PERSON)
                .set(PERSON.NAME, name.strip())
                .returningResult(PERSON.ID, PERSON.NAME)
                .fetchSingle(r -> new Person(r.value1(), r.value2(), Own.NOTHING));
    }

    private Own own(@Nullable JSONB kept) {
        return kept == null ? Own.NOTHING : json.readValue(kept.data(), Own.class);
    }

    void settle(long id, Own own) {
        if (db.update(PERSON)
                        .set(PERSON.SETTINGS, JSONB.valueOf(json.writeValueAsString(own)))
                        .where(PERSON.ID.eq(id))
                        .execute()
                == 0) {
            throw Problem.notFound("There is no such person (%d).".formatted(id));
        }
    }

    boolean exists(long id) {
        return db.fetchExists(PERSON, PERSON.ID.eq(id));
    }

    String name(long id) {
        return db.select(PERSON.NAME)
                .from(PERSON)
                .where(PERSON.ID.eq(id))
                .fetchSingle()
                .value1();
    }
}
