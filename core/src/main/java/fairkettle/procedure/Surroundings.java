package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Tool;
import fairkettle.safety.Caution;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a card has to know of the shop around it. */
public interface Surroundings {

    Optional<LotFacts> lot(long id);

    /** A syringe of the shop’s; empty if there is none of this number. */
    default Optional<Tool> tool(long id) {
        return Optional.empty();
    }

    /** The ink that the machine is to hold. */
    Family family();

    /** Whether the machine's activation code lies in the vault. */
    boolean keyStored();

    /** Until the pad is full. */
    Millilitres padRoom();

    /** Photos taken at a step. */
    int photos(String step);

    LocalDate today();

    /** The steps that stand open on the other cards of this room. */
    List<Beside> beside();

    /** @param since when it became the next thing to do */
    record Beside(String machine, String step, List<Caution> cautions, Instant since) {}

    /** @param spoiled why it must not be used, or null */
    record LotFacts(
            long id,
            Family family,
            @Nullable ChannelCode channel,
            boolean foodGrade,
            @Nullable LocalDate bestBefore,
            Millilitres left,
            @Nullable String spoiled) {}
}
