package fairkettle.hand;

import fairkettle.procedure.Step;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Terms of the trade, in words for somebody who has never opened a printer. */
public enum Glossary {
    DAMPER(
            "damper",
            "dampers?",
            "a small box on the head in which ink comes to rest; it has a soft membrane and a filter"),
    CARRIAGE("carriage", "carriage", "the slide that carries the head to and fro"),
    DOCK(
            "dock",
            "dock(ed|s)?|parked?|parks",
            "the place at one side where the head stands sealed when nothing is printed"),
    CAP(
            "cap",
            "cap rim|cap’s rim|the cap\\b|cap and wiper",
            "the rubber tray under the docked head: it seals the nozzles, and ink is sucked through it"),
    WIPER("wiper", "wiper", "the small blade that sweeps the underside of the head"),
    PLATE("plate", "\\bplate\\b", "the underside of the head, with the nozzles; nothing hard may touch it"),
    NOZZLE(
            "nozzle check",
            "nozzle check",
            "a printed pattern of short strokes, one for each nozzle: a missing stroke is a nozzle that gives nothing"),
    PURGE("purge sheet", "purge sheets?", "a page covered with one colour, so that ink runs and gaps close"),
    CHARGE("charge", "\\bcharge\\b", "the machine sucks ink from the tanks through everything to the nozzles, once"),
    POWER_CLEANING(
            "power cleaning",
            "power cleaning",
            "the strongest cleaning a machine has: much ink, and it goes to the pad"),
    PAD(
            "pad",
            "waste pad|\\bthe pad\\b|\\bpad\\b",
            "felt inside the machine that drinks the ink of cleanings; one day it is full"),
    CHASER("chasing", "chase", "a little new ink drawn through after the fluid, and thrown away"),
    VENT(
            "vent",
            "vents?|air holes?|air chambers?",
            "a hole that lets air follow the ink; shut, it holds the ink back like a finger on a straw"),
    FLUID("fluid", "\\bfluid\\b", "cleaning liquid made for this kind of ink; never water"),
    RIBBON("ribbon", "ribbon", "tubes joined side by side, one for each colour"),
    CHIP("chip", "\\bchips?\\b", "the small board on a cartridge that tells the machine how full it is"),
    BAR(
            "star-wheel bar",
            "\\bbar\\b",
            "the rod with small toothed wheels that holds paper down, and would mark wet film"),
    O_RING("O-ring", "O-rings?", "a thin rubber ring that seals a joint; spare ones lie in the kit"),
    PRIMING("priming", "priming|prime[ds]?\\b", "filling a part with ink so that no air is left in it"),
    OUTLET("outlet", "outlet", "the hole through which a cartridge gives its ink to the head"),
    FLAT_CABLE("flat cable", "flat cables?", "a thin foil with wires in it; pulled straight, never bent"),
    BOARD("board", "\\bboard\\b", "the electronics on the head: one drop of liquid kills it"),
    RAIL("rail", "\\brail\\b", "the rod or sheet along which the carriage slides"),
    MIRROR("mirrored", "mirror(ed)?", "printed the wrong way round, because pressing turns it back");

    private final String term;
    private final Pattern pattern;
    private final String words;

    Glossary(String term, String pattern, String words) {
        this.term = term;
        this.pattern = Pattern.compile("\\b(?:" + pattern + ")", Pattern.CASE_INSENSITIVE);
        this.words = words;
    }

    public String term() {
        return term;
    }

    public String words() {
        return words;
    }

    /** A term and what it means. */
    public record Term(String term, String words) {}

    public static List<Term> terms(Step step) {
        return in(step).stream().map(g -> new Term(g.term, g.words)).toList();
    }

    /** Terms that a step uses, as a beginner meets them. */
    public static List<Glossary> in(Step step) {
        var said = step.title() + " " + step.say() + " " + (step.hold() == null ? "" : step.hold());
        return Stream.of(values()).filter(g -> g.pattern.matcher(said).find()).toList();
    }
}
