package fairkettle.server.shop;

import fairkettle.books.Statement;
import fairkettle.changeover.Bottles;
import fairkettle.changeover.Experience;
import fairkettle.changeover.Inks;
import fairkettle.changeover.OpeningHours;
import fairkettle.changeover.Syringe;
import fairkettle.changeover.Terms;
import fairkettle.check.Work;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.job.Separation;
import fairkettle.machine.Supply;
import fairkettle.procedure.Uncapped;
import fairkettle.routine.Settling;
import fairkettle.safety.School;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.Currency;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What the shop decides for itself.
 *
 * @param volumeUnit what people read and type; all volumes travel as mL
 * @param fluidTarget share of fluid that may stay in a charged path
 * @param wasteRule where waste goes, by the rules of the place
 * @param tolerances gaps that work forgives, where the shop has its own mind
 * @param taxPercent on what is bought, where the shop wants to see it; {@code pricesWithTax} false if prices are
 *     entered without it; null as true
 * @param aired false if the room can neither be aired nor has a fan; null as true
 * @param settling how its white sinks, if it knows better than the usual; {@code whiteReturns} how often white goes
 *     back into a tank; {@code whiteChoke} how far it stays back from the edge of the colours, in mm
 * @param inkOf how it buys one kind of ink, where that is sold otherwise than {@code inkBottles}
 * @param bareMinutes that a head with dye may stand in usual air, off its dock
 */
public record ShopSettings(
        @NotBlank(message = "Give the shop a name.") @Size(max = 60, message = "At most 60 letters.")
        String name,

        @Pattern(regexp = "[A-Z]{3}", message = "Give the currency as three letters, such as GBP.")
        String currency,

        @NotBlank(message = "Choose a time zone.") String zone,

        @Pattern(regexp = "mL|fl oz", message = "mL or fl oz.")
        String volumeUnit,

        @Pattern(regexp = "mm|inch", message = "mm or inch.")
        String lengthUnit,

        @Min(value = 0, message = "Not below nothing.") long labourPerHour,
        @Min(value = 0, message = "Not below nothing.") long wastePerLitre,
        @Min(value = 0, message = "Not below nothing.") long padPrice,

        @NotEmpty(message = "Enter at least one syringe.") @Valid
        List<OwnedSyringe> syringes,

        @NotEmpty(message = "Enter at least one bottle size.") @Valid
        List<BottleSize> inkBottles,

        @NotEmpty(message = "Enter at least one bottle size.") @Valid
        List<BottleSize> fluidBottles,

        @DecimalMin(value = "0.001", message = "At least 0.1 %.") @DecimalMax(value = "0.2", message = "At most 20 %.")
        double fluidTarget,

        Millilitres reserve,

        @Min(value = 1, message = "At least one.") @Max(value = 12, message = "At most 12.")
        int maxRinses,

        @DecimalMin(value = "0.1", message = "At least 0.1 min.")
        double minutesPerPull,

        @DecimalMin(value = "0.1", message = "At least 0.1 min.")
        double minutesPerRinse,

        @NotEmpty(message = "The shop is open on some day.") @Valid
        List<OpenDay> week,

        List<LocalDate> holidays,
        Map<School, String> schools,
        String wasteRule,
        @Nullable @Valid Comparison comparison,
        @Nullable Map<Work, Work.Tolerance> tolerances,
        @Nullable Settling settling,

        @Nullable @Min(value = 0, message = "Not below nothing.") @Max(value = 50, message = "At most 50.")
        Integer whiteReturns,

        @Nullable Boolean aired,

        @Nullable
        @DecimalMin(value = "0", message = "Not below nothing.")
        @DecimalMax(value = "100", message = "At most 100 %.")
        Double taxPercent,

        @Nullable Boolean pricesWithTax,

        @Nullable
        @DecimalMin(value = "0", message = "Not below nothing.")
        @DecimalMax(value = "2", message = "At most 2 mm.")
        Double whiteChoke,

        @Nullable @Min(value = 1, message = "At least one minute.") @Max(value = 60, message = "At most an hour.")
        Integer bareMinutes,

        @Nullable @Valid Map<Family, SoldInk> inkOf) {

    private static final int WHITE_RETURNS = 6;

    /** How white sinks: the shop's own figures, or the usual ones. */
    public Settling sinking() {
        return settling == null ? Settling.USUAL : settling;
    }

    /** Null where the shop shows no tax. */
    public Statement.@Nullable Tax tax() {
        return taxPercent == null ? null : new Statement.Tax(taxPercent, !Boolean.FALSE.equals(pricesWithTax));
    }

    /** Whether powder, alcohol and hot adhesive may be worked with here. */
    public boolean airedRoom() {
        return !Boolean.FALSE.equals(aired);
    }

    /**
     * Minutes that a head may stand off its dock.
     *
     * @param inks that are in it; @param coming what is charged next; null for none
     * @param drying how many times as fast as in usual air things dry
     */
    public int bareLimit(Set<Family> inks, @Nullable Family coming, double drying) {
        var all = new HashSet<>(inks);
        if (coming != null) {
            all.add(coming);
        }
        return Uncapped.limit(bareMinutes == null ? Uncapped.BARE_LIMIT : bareMinutes, all, drying);
    }

    /** How far white stays back from every edge of the colours, in tenths of a mm. */
    public int chokeTenths() {
        return (int) Math.round(10 * (whiteChoke == null ? Separation.USUAL_CHOKE : whiteChoke));
    }

    /** How often white may go back into a tank before it is filled anew. */
    public int mostWhiteReturns() {
        return whiteReturns == null ? WHITE_RETURNS : whiteReturns;
    }

    /** Gaps that each kind of work forgives: the shop's own figures, or the usual ones. */
    public Map<Work, Work.Tolerance> tolerated() {
        var all = new EnumMap<Work, Work.Tolerance>(Work.class);
        for (var work : Work.values()) {
            all.put(work, tolerances == null ? work.usual() : tolerances.getOrDefault(work, work.usual()));
        }
        return all;
    }

    /**
     * What other ways to the same prints would cost, in minor units.
     *
     * @param makersInkPer100mL of the ink the machines were built for
     * @param orderedSheet a print ordered elsewhere; {@code orderedDays} until it comes
     * @param inkedSheet a sheet bought with its ink on
     */
    public record Comparison(
            @Min(value = 0, message = "Not below nothing.") long makersInkPer100mL,
            @Min(value = 0, message = "Not below nothing.") long dedicatedMachine,
            @Min(value = 0, message = "Not below nothing.") long orderedSheet,
            @Min(value = 0, message = "Not below nothing.") int orderedDays,
            @Min(value = 0, message = "Not below nothing.") long inkedSheet) {

        static Comparison usual() {
            return new Comparison(6000, 45000, 180, 6, 120);
        }
    }

    /** @return what was entered, or the usual figures */
    public Comparison compared() {
        return comparison == null ? Comparison.usual() : comparison;
    }

    public record OwnedSyringe(
            @NotNull(message = "Give its size in mL.") Millilitres size,
            @NotNull(message = "Give its marks in mL.") Millilitres graduation) {}

    public record BottleSize(
            @NotNull(message = "Give what is in it, in mL.") @HoldsInk(message = "At least 1 mL is in it.")
            Millilitres volume,

            @Min(value = 0, message = "Not below nothing.") long price) {}

    /**
     * How one kind of ink is sold.
     *
     * @param bottles of one colour; @param pack a bottle of each colour together, if it is sold so
     */
    public record SoldInk(
            @NotEmpty(message = "Enter at least one bottle size.") @Valid
            List<BottleSize> bottles,

            @Nullable @Valid SoldPack pack) {}

    /** @param each mL in every bottle; @param colours that are in it; @param price of all of them */
    public record SoldPack(
            @NotNull(message = "Give what is in each, in mL.") @HoldsInk(message = "At least 1 mL is in each.")
            Millilitres each,

            @Min(value = 2, message = "At least two colours.") @Max(value = 12, message = "At most 12 colours.")
            int colours,

            @Min(value = 0, message = "Not below nothing.") long price) {}

    public record OpenDay(DayOfWeek day, LocalTime open, LocalTime close) {}

    /** Where every shop begins. */
    public static ShopSettings usual() {
        var nine = LocalTime.of(9, 0);
        var five = LocalTime.of(17, 0);
        return new ShopSettings(
                "My shop",
                "GBP",
                "Europe/London",
                "mL",
                "mm",
                1800,
                250,
                2400,
                List.of(syringe("60", "1"), syringe("10", "0.5")),
                List.of(bottle("100", 1200), bottle("50", 700)),
                List.of(bottle("250", 900), bottle("1000", 2600)),
                0.01,
                Millilitres.parse("15"),
                6,
                2,
                3,
                List.of(DayOfWeek.MONDAY, DayOfWeek.TUESDAY, DayOfWeek.WEDNESDAY, DayOfWeek.THURSDAY, DayOfWeek.FRIDAY)
                        .stream()
                        .map(day -> new OpenDay(day, nine, five))
                        .toList(),
                List.of(),
                Map.of(),
                "Collected in the labelled bottle; ask your local authority where it goes.",
                Comparison.usual(),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static OwnedSyringe syringe(String size, String mark) {
        return new OwnedSyringe(Millilitres.parse(size), Millilitres.parse(mark));
    }

    private static BottleSize bottle(String volume, long price) {
        return new BottleSize(Millilitres.parse(volume), price);
    }

    /** @throws IllegalArgumentException naming what does not fit together */
    public void check() {
        terms();
        hours();
        schools.forEach(School::position);
    }

    public Currency money() {
        return Currency.getInstance(currency);
    }

    public Terms terms() {
        return terms(Map.of(), Map.of());
    }

    /**
     * @param machines how one machine is treated otherwise than the shop's others
     * @param prices of supplies, where the shop has its own
     */
    public Terms terms(Map<School, String> machines, Map<Supply, Long> prices) {
        var money = money();
        var all = new EnumMap<School, String>(School.class);
        all.putAll(schools);
        all.putAll(machines);
        var own = new EnumMap<Supply, Money>(Supply.class);
        prices.forEach((what, minor) -> own.put(what, new Money(minor, money)));
        return new Terms(
                new Money(labourPerHour, money),
                new Money(wastePerLitre, money),
                new Money(padPrice, money),
                syringes.stream()
                        .map(s -> new Syringe(s.size(), s.graduation()))
                        .sorted(Comparator.comparing(Syringe::size).reversed())
                        .toList(),
                inks(),
                sizes(fluidBottles),
                fluidTarget,
                reserve,
                maxRinses,
                minutesPerPull,
                minutesPerRinse,
                240,
                all,
                own,
                new Money(compared().makersInkPer100mL(), money).major() / 100,
                Experience.PRACTISED);
    }

    private Inks inks() {
        var own = new EnumMap<Family, List<Bottles.Size>>(Family.class);
        var packs = new EnumMap<Family, Inks.Pack>(Family.class);
        (inkOf == null ? Map.<Family, SoldInk>of() : inkOf).forEach((family, sold) -> {
            own.put(family, sizes(sold.bottles()));
            var pack = sold.pack();
            if (pack != null) {
                packs.put(family, new Inks.Pack(pack.each(), pack.colours(), new Money(pack.price(), money())));
            }
        });
        return new Inks(sizes(inkBottles), own, packs);
    }

    private List<Bottles.Size> sizes(List<BottleSize> bottles) {
        return bottles.stream()
                .map(b -> new Bottles.Size(b.volume(), new Money(b.price(), money())))
                .toList();
    }

    public OpeningHours hours() {
        var days = new EnumMap<DayOfWeek, OpeningHours.Span>(DayOfWeek.class);
        week.forEach(d -> days.put(d.day(), new OpeningHours.Span(d.open(), d.close())));
        return new OpeningHours(zoneId(), days, new HashSet<>(holidays));
    }

    public ZoneId zoneId() {
        try {
            return ZoneId.of(zone);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "The time zone (%s) is unknown. Use a name such as Europe/London.".formatted(zone), e);
        }
    }
}
