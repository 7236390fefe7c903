package fairkettle.procedure;

import fairkettle.machine.Handling;
import fairkettle.safety.Caution;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One move of the hands.
 *
 * @param part the part of the route it belongs to, e.g. "Draw out the old ink"
 * @param title a short order
 * @param say what to do, then why
 * @param hold words of a hold point, or null; a hold point cannot be skipped
 * @param irreversible what cannot be undone after it, or null
 * @param skippable whether it may be skipped with a reason
 * @param minutes hands-on
 * @param fulfils routines that are done with it. Where it asks for each of several channels, only those with the first
 *     answer count
 * @param tells what its answer says about the machine
 * @param restsOn what of the machine’s handling its words are made from; where they turn out wrong, that is taught
 */
public record Step(
        String id,
        String part,
        String title,
        String say,
        @Nullable String hold,
        @Nullable String irreversible,
        boolean skippable,
        int minutes,
        List<String> tools,
        List<Caution> cautions,
        List<Condition> needs,
        List<Condition> effects,
        Ask ask,
        Move move,
        @Nullable Pause pause,
        List<Branch> branches,
        List<String> fulfils,
        Tells tells,
        List<Handling.Matter> restsOn) {

    /** What the answer of a step says about the machine, beyond the card. */
    public enum Tells {
        NOTHING,
        /** The words are the version that the machine shows of its firmware. */
        FIRMWARE_VERSION,
        /** The words are what was missing in the box. */
        MISSING,
        /** The maker’s updates are refused from now on, and offered again at every connection. */
        UPDATES_REFUSED,
        /** Each first answer is a clear inlet point, each other a crusted one. */
        INLET_POINTS
    }

    public Step {
        tools = List.copyOf(tools);
        cautions = List.copyOf(cautions);
        needs = List.copyOf(needs);
        effects = List.copyOf(effects);
        branches = List.copyOf(branches);
        fulfils = List.copyOf(fulfils);
        restsOn = List.copyOf(restsOn);
        if (hold != null && skippable) {
            throw new IllegalArgumentException("The hold point (%s) must not be skippable.".formatted(id));
        }
    }

    public static Builder step(String id, String title) {
        return new Builder(id, title);
    }

    /** In a branch, under a name of its own; what it counts against within the branch is the branch’s own step. */
    Step within(String prefix, List<String> branch) {
        var copy = new Builder(prefix + id, this);
        if (ask instanceof Ask.Tally(var what, var parts, var against) && branch.contains(against)) {
            copy.ask = new Ask.Tally(what, parts, prefix + against);
        }
        return copy.made();
    }

    Step saying(String words) {
        return new Builder(id, this).say(words).made();
    }

    /** The same step, in the words and with the questions of another one; what it moves and changes stays. */
    Step toldAs(Step other) {
        var told = new Builder(id, other);
        told.part = part;
        told.hold = hold == null ? null : other.hold;
        told.irreversible = irreversible;
        told.skippable = skippable;
        told.needs = needs;
        told.effects = effects;
        told.move = move;
        told.pause = pause;
        told.branches = branches;
        told.fulfils = fulfils;
        told.tells = tells;
        return told.made();
    }

    Step paced(double factor) {
        var paced = new Builder(id, this).minutes((int) Math.ceil(minutes * factor));
        paced.branches = branches.stream().map(b -> b.paced(factor)).toList();
        return paced.made();
    }

    Step inPart(String name) {
        var moved = new Builder(id, this);
        moved.part = name;
        moved.branches = branches.stream().map(b -> b.inPart(name)).toList();
        return moved.made();
    }

    /** Says a step in the order one would tell it. */
    public static final class Builder {
        private final String id;
        private final String title;
        private String part = "";
        private String say = "";
        private @Nullable String hold;
        private @Nullable String irreversible;
        private boolean skippable;
        private int minutes = 1;
        private List<String> tools = new ArrayList<>();
        private List<Caution> cautions = new ArrayList<>();
        private List<Condition> needs = new ArrayList<>();
        private List<Condition> effects = new ArrayList<>();
        private Ask ask = new Ask.Done();
        private Move move = new Move.Nothing();
        private @Nullable Pause pause;
        private List<Branch> branches = new ArrayList<>();
        private List<String> fulfils = new ArrayList<>();
        private Tells tells = Tells.NOTHING;
        private List<Handling.Matter> restsOn = new ArrayList<>();

        private Builder(String id, String title) {
            this.id = id;
            this.title = title;
        }

        /** A step like another one. Its lists are that one’s: they are exchanged as wholes. */
        private Builder(String id, Step like) {
            this(id, like.title);
            part = like.part;
            say = like.say;
            hold = like.hold;
            irreversible = like.irreversible;
            skippable = like.skippable;
            minutes = like.minutes;
            tools = like.tools;
            cautions = like.cautions;
            needs = like.needs;
            effects = like.effects;
            ask = like.ask;
            move = like.move;
            pause = like.pause;
            branches = like.branches;
            fulfils = like.fulfils;
            tells = like.tells;
            restsOn = like.restsOn;
        }

        public Builder say(String text) {
            say = text;
            return this;
        }

        public Builder hold(String text) {
            hold = text;
            return this;
        }

        public Builder irreversible(String text) {
            irreversible = text;
            return this;
        }

        public Builder skippable() {
            skippable = true;
            return this;
        }

        public Builder minutes(int handsOn) {
            minutes = handsOn;
            return this;
        }

        public Builder with(String... inHand) {
            tools.addAll(List.of(inHand));
            return this;
        }

        public Builder care(Caution... which) {
            cautions.addAll(List.of(which));
            return this;
        }

        public Builder needs(Facet facet, String value) {
            needs.add(Condition.that(facet, value));
            return this;
        }

        public Builder needs(Facet facet, List<fairkettle.ink.ChannelCode> channels, String value) {
            channels.forEach(c -> needs.add(Condition.that(facet, c, value)));
            return this;
        }

        public Builder then(Facet facet, String value) {
            effects.add(Condition.that(facet, value));
            return this;
        }

        public Builder then(Facet facet, List<fairkettle.ink.ChannelCode> channels, String value) {
            channels.forEach(c -> effects.add(Condition.that(facet, c, value)));
            return this;
        }

        public Builder ask(Ask what) {
            ask = what;
            return this;
        }

        public Builder moves(Move what) {
            move = what;
            return this;
        }

        public Builder waits(Pause what) {
            pause = what;
            return this;
        }

        public Builder branch(Branch... which) {
            branches.addAll(List.of(which));
            return this;
        }

        public Builder fulfils(String... routines) {
            fulfils.addAll(List.of(routines));
            return this;
        }

        /** What its answer says about the machine, beyond the card. */
        public Builder tells(Tells what) {
            tells = what;
            return this;
        }

        /** What of the machine’s handling its words are made from. */
        public Builder restsOn(Handling.Matter... which) {
            restsOn.addAll(List.of(which));
            return this;
        }

        public Step build() {
            if (irreversible != null && hold == null && !skippable) { // moment for second thoughts
                hold = "Look once more: up to here there is a way back.";
            }
            return made();
        }

        private Step made() {
            return new Step(
                    id,
                    part,
                    title,
                    say,
                    hold,
                    irreversible,
                    skippable,
                    minutes,
                    tools,
                    cautions,
                    needs,
                    effects,
                    ask,
                    move,
                    pause,
                    branches,
                    fulfils,
                    tells,
                    restsOn);
        }
    }
}
