package fairkettle.server.pictures;

import fairkettle.server.web.Problem;
import io.swagger.v3.oas.annotations.Hidden;
import java.time.Duration;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@Hidden
@RestController
class PictureController {

    private final Pictures pictures;

    PictureController(Pictures pictures) {
        this.pictures = pictures;
    }

    @GetMapping("/api/pictures/{picture}")
    ResponseEntity<byte[]> picture(@PathVariable UUID picture) {
        var found = pictures.shown(picture).orElseThrow(() -> Problem.notFound("There is no such picture."));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(found.mediaType()))
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline().filename("photo").build().toString())
                .body(found.bytes());
    }
}
