package fairkettle.server.web;

import java.io.IOException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

@Configuration
class WebConfig implements WebMvcConfigurer {

    private static final String CONTENT_SECURITY =
            "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline';"
                    + " font-src 'self' data:; frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

    @Bean
    SecurityFilterChain security(HttpSecurity http, Refusals refusals) throws Exception {
        var token = CookieCsrfTokenRepository.withHttpOnlyFalse();
        token.setCookieCustomizer(cookie -> cookie.sameSite("Strict")); // no other site's page sends it
        return http.authorizeHttpRequests(a -> a.requestMatchers("/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .csrf(c -> c.spa().csrfTokenRepository(token))
                .exceptionHandling(e -> e.accessDeniedHandler((_, response, _) -> refusals.write(
                        response,
                        HttpStatus.FORBIDDEN,
                        "token",
                        "This page is older than the kettle: nothing was saved. Load it anew and try again.")))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CONTENT_SECURITY)))
                .build();
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
        registry.addResourceHandler("/**")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache())
                .resourceChain(true)
                .addResolver(new ViewResolver());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
    }

    /** Addresses of views are the front end's: whatever is no file and no API answers with its page. */
    private static final class ViewResolver extends PathResourceResolver {
        @Override
        protected @Nullable Resource getResource(String path, Resource location) throws IOException {
            var found = super.getResource(path, location);
            if (found != null
                    || path.matches("(api|actuator|v3|assets)/.*")
                    || path.substring(path.lastIndexOf('/') + 1).contains(".")) {
                return found;
            }
            return new ClassPathResource("static/index.html");
        }
    }
}
