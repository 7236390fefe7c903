package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import java.util.ArrayList;
import java.util.List;

/** Drawing a volume with a syringe: full loads, and one part load. */
public record Pulls(Millilitres volume, Syringe syringe, List<Millilitres> loads) {

    public Pulls {
        loads = List.copyOf(loads);
    }

    public static Pulls of(Millilitres volume, Syringe syringe) {
        var loads = new ArrayList<Millilitres>();
        for (var left = volume; !left.isZero(); left = left.over(syringe.size())) {
            loads.add(left.min(syringe.size()));
        }
        return new Pulls(volume, syringe, loads);
    }

    /** "2 × 60 + 30", in mL. */
    public String label() {
        long full = loads.stream().filter(l -> l.equals(syringe.size())).count();
        var part = loads.isEmpty() || full == loads.size() ? "" : rounded(loads.getLast());
        var whole = full == 0 ? "" : full == 1 ? "" + syringe.size() : full + " × " + syringe.size();
        return whole.isEmpty() && part.isEmpty()
                ? "nothing"
                : whole.isEmpty() ? part : part.isEmpty() ? whole : whole + " + " + part;
    }

    private static String rounded(Millilitres volume) {
        return new Millilitres(Math.max(1, Math.round(volume.mL())) * 1000).toString();
    }
}
