package fairkettle.server.log;

import fairkettle.books.EntryKind;
import fairkettle.server.cards.CardService;
import fairkettle.server.journal.Journal;
import fairkettle.server.web.Problem;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Entries of the log, struck out from where they stand. */
@Service
public class Strikes {

    /** Kinds that a card wrote: taking one back is an act on that card. */
    private static final Set<EntryKind> OF_CARDS =
            EnumSet.of(EntryKind.STEP, EntryKind.SKIP, EntryKind.BRANCH, EntryKind.WAIT, EntryKind.CARD);

    private final Journal journal;
    private final CardService cards;
    private final TransactionTemplate trial;

    Strikes(Journal journal, CardService cards, PlatformTransactionManager transactions) {
        this.journal = journal;
        this.cards = cards;
        this.trial = new TransactionTemplate(transactions);
        trial.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /**
     * What striking an entry out would come to.
     *
     * @param why it cannot be struck out; null if it can
     * @param gives what comes back; {@code stays} what does not
     */
    public record StrikePreviewJson(
            long entry, String words, @Nullable String why, List<String> gives, List<String> stays) {}

    /** Carried out for a trial and undone again, so that what is said before is what happens after. */
    public StrikePreviewJson preview(long id) {
        var entry = journal.entry(id);
        try {
            return Objects.requireNonNull(trial.execute(status -> {
                status.setRollbackOnly();
                var gives = journal.gives(id);
                return new StrikePreviewJson(id, entry.words(), null, gives, strike(entry));
            }));
        } catch (Problem e) {
            return new StrikePreviewJson(id, entry.words(), String.valueOf(e.getMessage()), List.of(), List.of());
        }
    }

    /** A step that came to nothing but that it is done can be struck out all the same. */
    static boolean ofCardStep(EntryKind kind) {
        return OF_CARDS.contains(kind) && kind != EntryKind.CARD;
    }

    /** @throws Problem if nothing was written for the step that still stands */
    StrikePreviewJson previewOfStep(long card, String step) {
        return journal.standing(card, step).stream()
                .findFirst()
                .map(this::preview)
                .orElseThrow(() -> Problem.notFound("Nothing was written for this step that could be struck out."));
    }

    /** @return what stays all the same, in sentences */
    @Transactional
    public List<String> strike(long id) {
        return strike(journal.entry(id));
    }

    private List<String> strike(Journal.Entry entry) {
        if (entry.struck()) {
            throw Problem.refused("This entry is struck out already.", List.of());
        }
        if (entry.kind() == EntryKind.STRIKE) {
            throw Problem.refused("A strike is not struck out itself: do once more what was struck out.", List.of());
        }
        if (entry.card() != null && (OF_CARDS.contains(entry.kind()) || entry.kind() == EntryKind.UPKEEP)) {
            return cards.strike(entry);
        }
        if (journal.gives(entry.id()).isEmpty()) {
            throw Problem.refused("Nothing follows from this entry: there is nothing to give back.", List.of());
        }
        return journal.strike(entry.id());
    }
}
