package fairkettle.server.changeover;

import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.ENTRY;

import fairkettle.changeover.Answer;
import fairkettle.changeover.Experience;
import fairkettle.changeover.Followed;
import fairkettle.changeover.Job;
import fairkettle.changeover.Plan;
import fairkettle.changeover.Planner;
import fairkettle.changeover.Purity;
import fairkettle.changeover.Purpose;
import fairkettle.changeover.Route;
import fairkettle.changeover.Stock;
import fairkettle.changeover.Terms;
import fairkettle.changeover.TradeOff;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Chips;
import fairkettle.server.benches.Machines;
import fairkettle.server.people.Who;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Asks the planner about a machine as it is now. */
@Service
public class Changeovers {

    private final Machines machines;
    private final Shelf shelf;
    private final Supplies supplies;
    private final Shop shop;
    private final Who who;
    private final DSLContext db;
    private final Clock clock;

    Changeovers(Machines machines, Shelf shelf, Supplies supplies, Shop shop, Who who, DSLContext db, Clock clock) {
        this.machines = machines;
        this.shelf = shelf;
        this.supplies = supplies;
        this.shop = shop;
        this.who = who;
        this.db = db;
        this.clock = clock;
    }

    /**
     * @param family to come; null for the one that the machine holds, as when it is renewed or parked
     * @param make null for the one that the machine holds
     * @param purity old-ink share aimed for; null for the usual one
     * @param hands how often they have done it; null as the log says of whoever asks
     */
    public record Wish(
            long machine,
            Purpose purpose,
            @Nullable Family family,
            @Nullable String make,
            @Nullable Double purity,
            @Nullable Route route,
            @Nullable Chips chips,
            Map<ChannelCode, ChannelCode> carries,
            Set<ChannelCode> onFluid,
            @Nullable Experience hands) {

        /** The same, for hands of so much practice. */
        public Wish by(Experience practice) {
            return new Wish(machine, purpose, family, make, purity, route, chips, carries, onFluid, practice);
        }

        public static Wish change(long machine, Family family, String make, Experience hands) {
            return new Wish(machine, Purpose.CHANGE, family, make, null, null, null, Map.of(), Set.of(), hands);
        }
    }

    /** Why no powder is worked with in a shut room. */
    public static final String NOT_AIRED =
            "By the shop’s settings this room can neither be aired nor has it a fan: powder, alcohol and hot adhesive"
                    + " need moving air. Find another room, or put in a fan and say so under Shop.";

    public Answer plan(Wish wish) {
        var job = job(wish);
        if (job.wish().family() == Family.FILM && !shop.settings().airedRoom()) {
            return new Answer.Refused(NOT_AIRED);
        }
        return Planner.plan(job, terms(wish));
    }

    List<TradeOff> tradeOffs(Wish wish) {
        return Planner.tradeOffs(job(wish), terms(wish), Purity.SCALE);
    }

    List<Followed> schools(Wish wish, Plan plan) {
        return Planner.schools(job(wish), terms(wish), plan);
    }

    public Terms terms(long machine) {
        return shop.settings().terms(machines.get(machine).schools(), supplies.prices());
    }

    private Terms terms(Wish wish) {
        return terms(wish.machine()).by(experience(wish));
    }

    /**
     * What was said, or else how many changeovers this person finished here; whoever is not known counts as practised.
     */
    public Experience experience(Wish wish) {
        var person = who.id();
        return wish.hands() != null
                ? wish.hands()
                : person == null ? Experience.PRACTISED : Experience.of(finishedBy(person));
    }

    private int finishedBy(long person) {
        return db.fetchCount(db.selectDistinct(CARD.ID)
                .from(CARD)
                .join(ENTRY)
                .on(ENTRY.CARD_ID.eq(CARD.ID))
                .where(CARD.FINISHED_AT.isNotNull(), CARD.CASE_ID.isNull(), CARD.WORK.isNull())
                .and(ENTRY.PERSON_ID.eq(person)));
    }

    public Job job(Wish wish) {
        var machine = machines.get(wish.machine());
        var today = LocalDate.now(clock.withZone(shop.settings().zoneId()));
        var meant = fairkettle.changeover.Wish.of(
                        wish.purpose(),
                        wish.family(),
                        wish.make(),
                        wish.purity(),
                        machine.built(),
                        List.copyOf(machine.holdings().values()))
                .by(wish.route())
                .chips(wish.chips())
                .slots(wish.carries(), wish.onFluid());
        var stock = new Stock(
                shelf.inkFor(meant.family(), meant.make(), today),
                shelf.fluidFor(meant.family(), today),
                supplies.counts());
        return machines.job(machine, meant, stock);
    }
}
