package fairkettle.machine;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** For a machine that no profile describes: the nearest ones, and in what each differs. It is shown, never assumed. */
public final class Similarity {

    private Similarity() {}

    /** What is known about the machine at hand; null where nobody knows. */
    public record Seen(
            @Nullable Architecture architecture,
            int channels,
            @Nullable Boolean screen,
            @Nullable Boolean headsByUser,
            @Nullable CarriageFreeing freeing,
            @Nullable Chips chips,
            @Nullable String largestSheet) {}

    /** @param likeness 0 to 1; @param differs steps and parts that will not be as the profile says */
    public record Near(Profile profile, double likeness, List<String> differs) {}

    /** The likest first. */
    public static List<Near> nearest(Seen seen, List<Profile> profiles) {
        return profiles.stream()
                .map(p -> near(seen, p))
                .sorted(Comparator.comparingDouble(Near::likeness).reversed())
                .toList();
    }

    private static Near near(Seen seen, Profile profile) {
        var differs = new ArrayList<String>();
        double most = 0;
        double lost = 0;
        if (seen.architecture() != null) {
            most += 4;
            lost += differ(
                    differs,
                    seen.architecture() != profile.architecture(),
                    4,
                    "Drawing and filling: this profile is a "
                            + profile.architecture().label() + ".");
        }
        most += 3;
        lost += differ(
                differs,
                seen.channels() != profile.channels().size(),
                Math.min(3, Math.abs(seen.channels() - profile.channels().size())),
                "Slots: this profile has %d, yours %d."
                        .formatted(profile.channels().size(), seen.channels()));
        if (seen.headsByUser() != null) {
            most += 2;
            lost += differ(
                    differs,
                    seen.headsByUser() != profile.headsByUser(),
                    2,
                    profile.headsByUser()
                            ? "Heads: this profile’s are snapped in by hand."
                            : "Heads: this profile’s stay in.");
        }
        if (seen.freeing() != null) {
            most += 1;
            lost += differ(
                    differs,
                    seen.freeing() != profile.handling().freeing(),
                    1,
                    "The carriage is freed " + profile.handling().freeing().label() + ".");
        }
        if (seen.screen() != null) {
            most += 1;
            lost += differ(
                    differs,
                    seen.screen() != profile.handling().panel().screen(),
                    1,
                    profile.handling().panel().screen()
                            ? "Menus: this profile has a screen."
                            : "Menus: this profile has lamps and keys only.");
        }
        if (seen.chips() != null) {
            most += 2;
            lost += differ(
                    differs,
                    seen.chips() == Chips.NONE
                            ? !profile.chips().isEmpty()
                            : !profile.chips().contains(seen.chips()),
                    2,
                    "Chips: this profile knows no " + seen.chips().label() + ".");
        }
        if (seen.largestSheet() != null) {
            most += 1;
            lost += differ(
                    differs,
                    !seen.largestSheet().equals(profile.capable().largestSheet()),
                    1,
                    "Paper: this profile takes up to " + profile.capable().largestSheet() + ".");
        }
        return new Near(profile, 1 - lost / most, differs);
    }

    private static double differ(List<String> differs, boolean is, double weight, String words) {
        if (is) {
            differs.add(words);
        }
        return is ? weight : 0;
    }
}
