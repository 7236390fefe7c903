package fairkettle.books;

import fairkettle.path.Place;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What ink or fluid came into the shop by, or left its bottles and machines for. */
public enum Cause {
    BOUGHT("bought"),
    /** in a machine when its account began */
    BROUGHT_IN("came with a machine"),
    PRINTS("prints"),
    CHECKS("checks and own sheets"),
    CLEANINGS("cleanings"),
    POWER_CLEANINGS("power cleanings"),
    PURGES("purges and proofs"),
    CHARGES("charges"),
    DRAINS("drains"),
    RINSES("rinses"),
    /** by hand, beside a changeover: at the waste line, with a syringe, into a cloth */
    DRAWN("drawn by hand"),
    PUT_ASIDE("in parts that came off"),
    EVAPORATED("dried away"),
    CORRECTIONS("corrections"),
    OTHER("other");

    private final String label;

    Cause(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether it brings ink into the shop; what it brings counts below nothing. */
    public boolean comesIn() {
        return this == BOUGHT || this == BROUGHT_IN;
    }

    /** Those for which ink goes through the heads: what keeps a machine from standing idle. */
    public static final Set<Cause> THROUGH_HEADS =
            Collections.unmodifiableSet(EnumSet.of(PRINTS, CHECKS, PURGES, CHARGES, CLEANINGS, POWER_CLEANINGS));

    /** Whether it ends in a pad or a bottle for waste, and has to leave the house. */
    public boolean wasted() {
        return switch (this) {
            case CLEANINGS, POWER_CLEANINGS, CHARGES, DRAINS, RINSES, DRAWN -> true;
            case BOUGHT, BROUGHT_IN, PRINTS, CHECKS, PURGES, PUT_ASIDE, EVAPORATED, CORRECTIONS, OTHER -> false;
        };
    }

    /**
     * What a finished step draws ink or fluid for; null for one that moves none out. @param power whether its cleaning
     * is a power cleaning
     */
    public static @Nullable Cause of(Step step, boolean power) {
        return switch (step.move()) {
            case Move.Draw _, Move.DrawOnTray _ -> DRAINS;
            case Move.Rinse _ -> RINSES;
            case Move.Charge _ -> CHARGES;
            case Move.Clean _ -> power ? POWER_CLEANINGS : CLEANINGS;
            case Move.Print _ -> step.ask() instanceof Ask.Comb ? CHECKS : PURGES;
            case Move.Refit _, Move.Supplied _ -> PUT_ASIDE;
            case Move.Reading _ -> CORRECTIONS;
            default -> null;
        };
    }

    /**
     * What a movement to or from the outside is booked under.
     *
     * @param place pad, waste bottle or outside end
     * @param kind of the entry; @param own what the entry itself says that its ink left for, or null
     */
    public static Cause of(Place place, EntryKind kind, @Nullable Cause own) {
        if (place == Place.Outside.SUPPLIER) {
            return BOUGHT;
        }
        if (place == Place.Outside.CORRECTION) {
            return kind == EntryKind.MACHINE ? BROUGHT_IN : CORRECTIONS;
        }
        if (place == Place.Outside.PUT_ASIDE) {
            return PUT_ASIDE;
        }
        if (place == Place.Outside.EVAPORATION) {
            return EVAPORATED;
        }
        return own == null ? OTHER : own;
    }

    /** Whether what lies there has left bottles and machines. */
    public static boolean gone(Place place) {
        return switch (place) {
            case Place.Pad _, Place.Waste _, Place.Outside _ -> true;
            case Place.InPath _, Place.Bottle _, Place.Tray _ -> false;
        };
    }
}
