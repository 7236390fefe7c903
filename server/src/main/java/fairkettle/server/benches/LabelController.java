package fairkettle.server.benches;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import fairkettle.server.web.Problem;
import io.swagger.v3.oas.annotations.Hidden;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The code on a machine's label, which opens its page. */
@Hidden
@RestController
class LabelController {

    private final Machines machines;

    LabelController(Machines machines) {
        this.machines = machines;
    }

    /** @param address as the browser knows it, since the server may be known by many */
    @GetMapping("/api/machines/{machine}/label.svg")
    ResponseEntity<String> label(@PathVariable long machine, @RequestParam String address) throws WriterException {
        if (!address.matches("https?://[\\w.:\\[\\]-]{1,200}/machines/"
                + machines.get(machine).id())) {
            throw Problem.atField("address", "A label leads to its own machine’s page.");
        }
        var code = new QRCodeWriter().encode(address, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, 2));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("image/svg+xml"))
                .body(svg(code));
    }

    private static String svg(BitMatrix code) {
        var path = new StringBuilder();
        for (int y = 0; y < code.getHeight(); y++) {
            for (int x = 0; x < code.getWidth(); x++) {
                if (code.get(x, y)) {
                    path.append("M%d %dh1v1h-1z".formatted(x, y));
                }
            }
        }
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %d %d\"><path fill=\"#fff\" d=\"M0 0h%1$dv%2$dH0z\"/><path d=\"%s\"/></svg>"
                .formatted(code.getWidth(), code.getHeight(), path);
    }
}
