package fairkettle.server.bringin;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.LOT;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Feed;
import fairkettle.machine.Profile;
import fairkettle.routine.Air;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.bringin.TableFile.Row;
import fairkettle.server.climate.Room;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.profiles.ProfileBook;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import fairkettle.typed.Days;
import fairkettle.typed.TypedNumber;
import fairkettle.typed.TypedTime;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Brings in what a file holds. Looking and taking are the same work: for a look it is carried out and undone, so that
 * what is said of a row before is what happens to it after.
 */
@Service
class BringIn {

    private final Machines machines;
    private final Passports passports;
    private final ProfileBook profiles;
    private final Shelf shelf;
    private final Room room;
    private final Journal journal;
    private final Shop shop;
    private final Live live;
    private final Clock clock;
    private final DSLContext db;
    private final TransactionTemplate trial;
    private final TransactionTemplate whole;
    private final TransactionTemplate each;

    BringIn(
            Machines machines,
            Passports passports,
            ProfileBook profiles,
            Shelf shelf,
            Room room,
            Journal journal,
            Shop shop,
            Live live,
            Clock clock,
            DSLContext db,
            PlatformTransactionManager transactions) {
        this.machines = machines;
        this.passports = passports;
        this.profiles = profiles;
        this.shelf = shelf;
        this.room = room;
        this.journal = journal;
        this.shop = shop;
        this.live = live;
        this.clock = clock;
        this.db = db;
        this.trial = new TransactionTemplate(transactions);
        trial.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.whole = new TransactionTemplate(transactions);
        this.each = new TransactionTemplate(transactions);
        each.setPropagationBehavior(TransactionDefinition.PROPAGATION_NESTED);
    }

    enum Fate {
        NEW,
        KNOWN,
        REFUSED
    }

    /** @param told what it comes to; or why it is refused */
    record Fated(int row, Fate fate, String told) {}

    /** @param taken whether it was brought in: not where it was only looked at, nor with a row that is refused */
    record Outcome(boolean taken, List<Fated> rows) {
        private boolean refused() {
            return rows.stream().anyMatch(r -> r.fate() == Fate.REFUSED);
        }
    }

    /** What a row comes to; {@code act} is null for what is there already. */
    private record Planned(String told, @Nullable Runnable act) {}

    /**
     * @param plan what a row comes to
     * @param finish what is done for all rows together; null where each is carried out by itself, and may be refused as
     *     it is
     */
    private record Reader(
            Function<Row, Planned> plan, @Nullable Runnable finish) {
        private static Reader each(Function<Row, Planned> plan) {
            return new Reader(plan, null);
        }
    }

    Outcome look(FileKind kind, String text) {
        return trial.execute(status -> {
            status.setRollbackOnly();
            return new Outcome(false, fates(kind, text));
        });
    }

    /** All of it, or nothing. */
    Outcome take(FileKind kind, String text) {
        var looked = look(kind, text);
        if (looked.refused()) {
            return looked;
        }
        return whole.execute(_ -> {
            var taken = new Outcome(true, fates(kind, text));
            if (taken.refused()) {
                throw Problem.lostRace("Something changed meanwhile: look at the file again. Nothing was taken.");
            }
            return taken;
        });
    }

    private List<Fated> fates(FileKind kind, String text) {
        var rows = TableFile.rows(kind, text);
        var reader = reader(kind);
        var fates = rows.stream().map(row -> fate(kind, reader, row)).toList();
        if (reader.finish() instanceof Runnable finish) {
            finish.run();
        }
        return fates;
    }

    private Fated fate(FileKind kind, Reader reader, Row row) {
        try {
            for (var column : kind.columns()) {
                var typed = row.get(column.name());
                if (column.needed() && typed.isBlank()) {
                    throw new IllegalArgumentException("There is nothing under “%s”.".formatted(column.name()));
                }
                if (typed.length() > column.longest()) {
                    throw new IllegalArgumentException(
                            "Under “%s” at most %d letters.".formatted(column.name(), column.longest()));
                }
                if (typed.chars().anyMatch(c -> c < ' ' && c != '\n' && c != '\t' && c != '\r')) {
                    throw new IllegalArgumentException(
                            "Under “%s” is something that is no text.".formatted(column.name()));
                }
            }
            var planned = reader.plan().apply(row);
            var act = planned.act();
            if (act == null) {
                return new Fated(row.number(), Fate.KNOWN, planned.told());
            }
            if (reader.finish() == null) {
                each.executeWithoutResult(_ -> act.run());
            } else {
                act.run();
            }
            return new Fated(row.number(), Fate.NEW, planned.told());
        } catch (Problem | IllegalArgumentException e) {
            return new Fated(row.number(), Fate.REFUSED, String.valueOf(e.getMessage()));
        }
    }

    private Reader reader(FileKind kind) {
        return switch (kind) {
            case MACHINES -> machines();
            case BOTTLES -> bottles();
            case READINGS -> readings();
            case NOTES -> notes();
        };
    }

    private Reader machines() {
        var known = new HashSet<String>();
        machines.all().forEach(m -> known.add(m.name().toLowerCase(Locale.ROOT)));
        var like = new HashMap<String, Profile>();
        profiles.all().forEach(p -> {
            like.put(p.profile().id().toLowerCase(Locale.ROOT), p.profile());
            like.put(p.profile().name().toLowerCase(Locale.ROOT), p.profile());
        });
        return Reader.each(row -> {
            var name = row.get("name");
            if (!known.add(name.toLowerCase(Locale.ROOT))) {
                return new Planned("%s is on a bench already".formatted(name), null);
            }
            var profile = like.get(row.get("profile").toLowerCase(Locale.ROOT));
            if (profile == null) {
                throw new IllegalArgumentException("There is no profile “%s”. There are: %s."
                        .formatted(
                                row.get("profile"),
                                String.join(
                                        ", ",
                                        like.values().stream()
                                                .map(Profile::name)
                                                .distinct()
                                                .sorted()
                                                .toList())));
            }
            var holding = holding(row.get("holds"), row.get("make"));
            boolean inked = !(holding instanceof Holding.NeverInked);
            double level = inked ? level(row.get("level")) : 0;
            var told = "%s, %s, on %s: %s".formatted(name, profile.name(), row.get("bench"), holding.label())
                    + (inked ? ", tanks %.0f %% full".formatted(level * 100) : "")
                    + (inked && row.get("level").isBlank() ? " as long as nobody says otherwise (under Ink)" : "");
            return new Planned(told, () -> {
                long id = machines.add(new Machines.NewMachine(
                        name, row.get("bench"), profile.id(), Feed.AS_BUILT, null, holding, level, null));
                passports.joined(id);
            });
        });
    }

    /** @return 0 to 1; half where nothing is said */
    private static double level(String typed) {
        if (typed.isBlank()) {
            return 0.5;
        }
        double level = TypedNumber.parse(typed.replace("%", "")).doubleValue();
        if (level < 0 || level > 100) {
            throw new IllegalArgumentException("A tank is 0 to 100 %% full, not “%s”.".formatted(typed));
        }
        return level / 100;
    }

    private static Holding holding(String typed, String make) {
        return switch (typed.toLowerCase(Locale.ROOT)) {
            case "", "unknown" -> new Holding.Unknown();
            case "never inked", "new", "nothing" -> Holding.neverInked();
            default -> new Holding.Inked(family(typed), make.isBlank() ? "own" : make, false);
        };
    }

    private static Family family(String typed) {
        return Arrays.stream(Family.values())
                .filter(f -> f.label().replace("'", "").equalsIgnoreCase(typed.replaceAll("['’]", ""))
                        || f.name().equalsIgnoreCase(typed))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no ink “%s”. There are: %s."
                        .formatted(
                                typed,
                                String.join(
                                        ", ",
                                        Arrays.stream(Family.values())
                                                .map(Family::label)
                                                .toList()))));
    }

    private Reader bottles() {
        Map<String, Integer> there = new HashMap<>();
        db.select(LOT.FAMILY, LOT.CHANNEL, LOT.MAKE, LOT.CODE)
                .from(LOT)
                .forEach(r -> there.merge(
                        key(Family.valueOf(r.value1()), r.value2(), r.value3(), r.value4()), 1, Integer::sum));
        return Reader.each(row -> {
            var family = family(row.get("family"));
            var channel = row.get("channel").isBlank()
                    ? null
                    : ChannelCode.of(row.get("channel")).code();
            var volume = Millilitres.parse(TypedNumber.parse(row.get("volume")).toPlainString());
            if (volume.isZero() || volume.mL() > 20_000) {
                throw new IllegalArgumentException("A bottle holds more than nothing and at most 20 L.");
            }
            var told = "%s mL of %s %s, %s, lot %s"
                    .formatted(
                            volume,
                            family.label(),
                            channel == null ? "cleaning fluid" : channel,
                            row.get("make"),
                            row.get("code"));
            // why: six bottles of one lot are six rows; the file that was brought in before is none again
            if (there.merge(key(family, channel, row.get("make"), row.get("code")), -1, Integer::sum) >= 0) {
                return new Planned(told + ": on the shelf already", null);
            }
            var bottle = new Shelf.NewLot(
                    family,
                    channel,
                    row.get("make"),
                    row.get("code"),
                    volume,
                    minor(row.get("price")),
                    food(row.get("foodgrade")),
                    row.get("bestbefore").isBlank() ? null : TypedTime.day(row.get("bestbefore")),
                    null,
                    null);
            return new Planned(told, () -> {
                shelf.add(bottle);
                live.changed("shelf");
            });
        });
    }

    private static String key(Family family, @Nullable String channel, String make, String code) {
        return String.join("|", family.name(), String.valueOf(channel), make.strip(), code.strip())
                .toLowerCase(Locale.ROOT);
    }

    private long minor(String typed) {
        if (typed.isBlank()) {
            return 0;
        }
        var major = TypedNumber.parse(typed);
        int decimals = shop.settings().money().getDefaultFractionDigits();
        if (major.signum() < 0 || major.compareTo(BigDecimal.valueOf(1_000_000)) > 0) {
            throw new IllegalArgumentException("A price is not below nothing and at most 1000000.");
        }
        try {
            return major.movePointRight(decimals)
                    .setScale(0, RoundingMode.UNNECESSARY)
                    .longValueExact();
        } catch (ArithmeticException e) {
            throw new IllegalArgumentException("“%s” has more decimals than the shop’s money.".formatted(typed), e);
        }
    }

    private static boolean food(String typed) {
        return switch (typed.toLowerCase(Locale.ROOT)) {
            case "", "no", "0", "false" -> false;
            case "yes", "1", "true" -> true;
            default -> throw new IllegalArgumentException("Food grade is yes or no, not “%s”.".formatted(typed));
        };
    }

    private Reader readings() {
        var zone = shop.settings().zoneId();
        var known = room.times();
        var now = clock.instant();
        var fresh = new ArrayList<Air>();
        Function<Row, Planned> plan = row -> {
            var air = new Air(
                    TypedTime.instant(row.get("at"), zone),
                    TypedNumber.parse(row.get("celsius")).doubleValue(),
                    TypedNumber.parse(row.get("humidity")).doubleValue());
            if (air.at().isAfter(now)) {
                throw new IllegalArgumentException("That time is still to come.");
            }
            var told = "%s °C, %s %%".formatted(row.get("celsius"), row.get("humidity"));
            return known.add(air.at())
                    ? new Planned(told, () -> fresh.add(air))
                    : new Planned(told + ": known already", null);
        };
        return new Reader(plan, () -> room.bringIn(fresh));
    }

    private Reader notes() {
        var ids = new HashMap<String, Long>();
        machines.all().forEach(m -> ids.put(m.name().toLowerCase(Locale.ROOT), m.id()));
        Set<String> known = new HashSet<>(db.select(ENTRY.WORDS)
                .from(ENTRY)
                .where(ENTRY.KIND.eq(EntryKind.NOTE))
                .fetch(ENTRY.WORDS));
        var today = LocalDate.ofInstant(clock.instant(), shop.settings().zoneId());
        return Reader.each(row -> {
            var day = TypedTime.instant(row.get("at"), shop.settings().zoneId())
                    .atZone(shop.settings().zoneId())
                    .toLocalDate();
            if (day.isAfter(today)) {
                throw new IllegalArgumentException("That day is still to come.");
            }
            var machine = row.get("machine");
            var id = ids.get(machine.toLowerCase(Locale.ROOT));
            if (!machine.isBlank() && id == null) {
                throw new IllegalArgumentException("No machine here is called “%s”.".formatted(machine));
            }
            var words = "note of %s: %s".formatted(Days.said(day), row.get("words"));
            if (!known.add(words)) {
                return new Planned(words + ": in the log already", null);
            }
            return new Planned(words, () -> {
                var note = NewEntry.of(EntryKind.NOTE, words);
                journal.write(id == null ? note : note.machine(id), List.of());
            });
        });
    }
}
