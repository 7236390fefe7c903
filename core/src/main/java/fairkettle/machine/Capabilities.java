package fairkettle.machine;

/**
 * What a class of machine can do, for choosing one.
 *
 * @param largestSheet by name
 * @param headOut true if its user can take the head out
 * @param padByUser true if its user can change the waste pad or box
 */
public record Capabilities(String largestSheet, boolean wireless, boolean headOut, boolean padByUser) {}
