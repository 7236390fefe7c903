package fairkettle.measure;

import fairkettle.imaging.Photo;
import fairkettle.imaging.SheetReader;
import fairkettle.imaging.SheetReader.Result;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.SheetCode;
import fairkettle.sheet.Sheets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;

/** Reads one picture and ends: run with little memory to see how much it takes. */
final class ReaderOnce {

    private ReaderOnce() {}

    public static void main(String[] args) throws Exception {
        var photo = Photo.decode(Files.readAllBytes(Path.of(args[0])));
        Result result = null;
        for (var profile : Profiles.ALL) {
            result = SheetReader.read(photo, code -> Optional.of(known(code, profile)))
                    .getFirst();
            if (result instanceof Result.Read) {
                return;
            }
        }
        System.exit(result == null ? 2 : 1);
    }

    private static SheetReader.Known known(SheetCode code, Profile profile) {
        var made = new Sheets.Made(code.machine(), "Sorrel", code.sheet(), code.minute(), "", Paper.A4);
        return new SheetReader.Known(
                code.kind(),
                code.minute(),
                Sheets.of(code.kind(), profile, made, Family.MAKERS_DYE).pages().getFirst(),
                profile,
                Map.of());
    }
}
