package fairkettle.changeover;

import fairkettle.changeover.Bottles.Size;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How ink is sold: white for film is not bought at the price of dye.
 *
 * @param usual bottle sizes of every ink that has none of its own
 * @param own bottle sizes of one ink
 * @param packs of one ink, a bottle of each colour together
 */
public record Inks(List<Size> usual, Map<Family, List<Size>> own, Map<Family, Pack> packs) {

    /**
     * A bottle of each of so many colours, sold together.
     *
     * @param each what is in every one of them
     */
    public record Pack(Millilitres each, int colours, Money price) {
        public Pack {
            if (each.microlitres() < 1000 || colours < 2) {
                throw new IllegalArgumentException(
                        "A set of (%s) bottles of (%s) mL is none. Give at least two colours, and what is in each."
                                .formatted(colours, each));
            }
        }
    }

    /**
     * A need met by packs.
     *
     * @param singles what the same need costs in single bottles
     */
    public record ByPacks(int count, Pack pack, Money price, Money singles) {}

    public Inks {
        usual = List.copyOf(usual);
        own = Map.copyOf(own);
        packs = Map.copyOf(packs);
    }

    public static Inks alike(List<Size> sizes) {
        return new Inks(sizes, Map.of(), Map.of());
    }

    public List<Size> of(Family family) {
        return own.getOrDefault(family, usual);
    }

    /**
     * What a mL costs, in major units: by the bottle, or by the pack where it is cheaper.
     *
     * @param colours of the machine: a pack that lacks one of them is none for it
     */
    public double perMl(Family family, int colours) {
        double single = Terms.perMl(of(family));
        var pack = packs.get(family);
        return pack == null || pack.colours() < colours
                ? single
                : Math.min(single, pack.price().major() / pack.each().mL() / pack.colours());
    }

    /**
     * As many packs as the colour wants that wants most; empty where none is sold, or it has too few colours.
     *
     * @param buy what each channel wants beyond the shelf
     */
    Optional<ByPacks> inPacks(Family family, List<Millilitres> buy, Money singles) {
        var pack = packs.get(family);
        long wanting = buy.stream().filter(b -> !b.isZero()).count();
        if (pack == null || wanting == 0 || pack.colours() < buy.size()) {
            return Optional.empty();
        }
        int count = buy.stream()
                .mapToInt(b -> (int) Math.ceilDiv(b.microlitres(), pack.each().microlitres()))
                .max()
                .orElse(0);
        return Optional.of(new ByPacks(count, pack, pack.price().times(count), singles));
    }
}
