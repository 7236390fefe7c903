package fairkettle.server.jobs;

import fairkettle.server.web.Ahead;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Component;

/** Artworks are read before anything is written. */
@Component
class ArtworkAhead implements Ahead {

    private final Artworks artworks;

    ArtworkAhead(Artworks artworks) {
        this.artworks = artworks;
    }

    @Override
    public boolean wants(HttpServletRequest request) {
        return request.getMethod().equals("POST") && request.getRequestURI().equals("/api/artworks");
    }

    @Override
    public Object done(HttpServletRequest request, byte[] body) {
        return artworks.receive(body);
    }
}
