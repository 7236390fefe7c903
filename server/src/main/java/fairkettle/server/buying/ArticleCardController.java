package fairkettle.server.buying;

import fairkettle.server.web.PaperFile;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Cards of instruction that came with an article. */
@RestController
class ArticleCardController {

    private final ArticleCards cards;

    ArticleCardController(ArticleCards cards) {
        this.cards = cards;
    }

    @GetMapping("/api/articles/cards")
    List<ArticleCards.ArticleCard> articleCards() {
        return cards.all();
    }

    /** A card of instruction that came with an article. @param article its key */
    @PostMapping(path = "/api/articles/cards", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    List<ArticleCards.ArticleCard> keepArticleCard(
            @RequestParam @NotBlank(message = "Which article?") @Size(max = 120, message = "There is no such article.")
                    String article,
            @RequestParam @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.")
                    String name,
            @RequestBody byte[] card) {
        cards.keep(article, name.strip(), card);
        return cards.all();
    }

    @GetMapping("/api/articles/cards/{leaflet}")
    ResponseEntity<byte[]> articleCard(@PathVariable long leaflet) {
        var file = cards.file(leaflet);
        var ending = file.mediaType().substring(file.mediaType().indexOf('/') + 1);
        return PaperFile.download(file.name() + "." + ending, file.mediaType(), file.bytes());
    }

    @PostMapping("/api/articles/cards/{leaflet}/discarded")
    List<ArticleCards.ArticleCard> discardArticleCard(@PathVariable long leaflet) {
        cards.discard(leaflet);
        return cards.all();
    }
}
