package fairkettle.imaging;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;

/** White that stays back from every edge: erosion of a grey picture by a square (the least value around each point). */
final class Choke {

    private final byte[] data;
    private final int back;
    private final int[] was;
    private final int[] rising;

    private Choke(byte[] data, int longest, int back) {
        this.data = data;
        this.back = back;
        this.was = new int[longest];
        this.rising = new int[longest];
    }

    /** @param cover of bytes, which is changed; @param back in pixels; what lies beside the picture counts as bare */
    static BufferedImage of(BufferedImage cover, int back) {
        if (back > 0) {
            int width = cover.getWidth();
            int height = cover.getHeight();
            var data = ((DataBufferByte) cover.getRaster().getDataBuffer()).getData();
            var choke = new Choke(data, Math.max(width, height), back);
            for (int y = 0; y < height; y++) {
                choke.line(y * width, 1, width);
            }
            for (int x = 0; x < width; x++) {
                choke.line(x, width, height);
            }
        }
        return cover;
    }

    /** Each point becomes the least of itself and its neighbours on both sides. */
    private void line(int first, int step, int length) {
        for (int i = 0; i < length; i++) {
            was[i] = data[first + i * step] & 255;
        }
        int from = 0; // positions of rising values, that may still be the least of some point, wait in line
        int to = 0;
        for (int next = 0; next < length + back; next++) {
            if (next < length) {
                while (to > from && was[rising[to - 1]] >= was[next]) {
                    to--;
                }
                rising[to++] = next;
            }
            int at = next - back;
            if (at < 0 || at >= length) {
                continue;
            }
            while (rising[from] < at - back) {
                from++;
            }
            data[first + at * step] = (byte) (at < back || at >= length - back ? 0 : was[rising[from]]);
        }
    }
}
