package fairkettle.measure;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** A web application with one answer and nothing else. */
@SpringBootApplication
@RestController
public class EmptyApplication {

    public static void main(String[] args) {
        SpringApplication.run(EmptyApplication.class, args);
    }

    @GetMapping("/")
    String page() {
        return "empty";
    }
}
