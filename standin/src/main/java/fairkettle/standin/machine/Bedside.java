package fairkettle.standin.machine;

import fairkettle.clinic.Advice.Question;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.GroundRules;
import fairkettle.clinic.Progress;
import fairkettle.clinic.Remedy;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.standin.machine.SickCases.Sick;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A hand at one sick machine: it does things, sees what a person would see, and keeps count. */
public final class Bedside {

    private static final double LOW = .25; // of a vessel: whoever stands there sees it and fills up
    private static final double TO_THE_LINE = .9;

    private final SickMachine machine;
    private final Sick sick;
    private final List<Evidence> seen = new ArrayList<>();
    private Progress progress;
    private int rulesBroken;
    private int emptyAdvice;

    public Bedside(Sick sick) {
        this.sick = sick;
        machine = sick.machine();
        progress = Progress.of(sick.situation());
    }

    public SickMachine machine() {
        return machine;
    }

    public Sick sick() {
        return sick;
    }

    /** What was done and what it cost, as the hand knows it. */
    public Progress progress() {
        return progress;
    }

    /** Everything seen and done, in order. */
    public List<Evidence> seen() {
        return List.copyOf(seen);
    }

    /** Acts against the ground rules. */
    public int rulesBroken() {
        return rulesBroken;
    }

    /** Advice followed although nothing that was believed answers to it. */
    public int emptyAdvice() {
        return emptyAdvice;
    }

    void wasEmpty() {
        emptyAdvice++;
    }

    private <E extends Evidence> E take(E evidence) {
        seen.add(evidence);
        progress = progress.with(evidence);
        return evidence;
    }

    public Evidence.Look check() {
        for (var part : sick.situation().channels()) {
            if (progress.level(part.code()) < part.capacity() * LOW) {
                machine.fill(part.code());
                take(new Evidence.Filled(part.code(), part.capacity() * TO_THE_LINE));
            }
        }
        return take(machine.check());
    }

    public Evidence.Page page() {
        return take(machine.page());
    }

    public Evidence.Simple simple() {
        return take(machine.simple());
    }

    public Evidence.Shifted shift() {
        return take(machine.shift());
    }

    /** The strip is cleaned and the head aligned, or whatever else costs no ink. */
    public Evidence.Tried attempt(Remedy remedy) {
        if (remedy == Remedy.ALIGN) {
            machine.align();
        }
        return take(new Evidence.Tried(
                remedy, remedy == Remedy.ALIGN && !machine.shift().shifted()));
    }

    /** @param channel where the question is of one */
    public Evidence ask(Question question, @Nullable ChannelCode channel) {
        return take(
                switch (question) {
                    case WASTE_ROSE -> machine.wasteRose();
                    case BUBBLES -> machine.bubbles(Objects.requireNonNull(channel));
                    case THREAD -> machine.thread(Objects.requireNonNull(channel));
                    case CRUST -> machine.crust(Objects.requireNonNull(channel));
                });
    }

    /** Treats it. A purge sheet can be read while it comes. */
    public void act(Treatment treatment, Set<ChannelCode> channels) {
        if (GroundRules.against(treatment, channels, progress).isPresent()) {
            rulesBroken++;
        }
        if (treatment == Treatment.PURGE_SHEET) {
            take(machine.purge(channels));
        } else {
            machine.act(treatment, channels);
            take(new Evidence.Done(treatment, channels));
        }
        if (machine.parted()) {
            take(new Evidence.Parted());
        }
    }

    public Set<ChannelCode> all() {
        return new LinkedHashSet<>(machine.codes());
    }
}
