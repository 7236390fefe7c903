package fairkettle.machine;

/**
 * What a class of machine can do, for choosing one.
 *
 * @param largestSheet by name
 * @param powerCleanFromPanel false if a power cleaning is only in the driver
 * @param headOut true if its user can take the head out
 * @param padByUser true if its user can change the waste pad or box
 */
public record Capabilities(
        String largestSheet,
        boolean screen,
        boolean wireless,
        boolean powerCleanFromPanel,
        boolean headOut,
        boolean padByUser) {}
