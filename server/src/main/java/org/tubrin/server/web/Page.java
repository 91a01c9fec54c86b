package org.tubrin.server.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.function.RouterFunction;
import org.springframework.web.servlet.function.RouterFunctions;
import org.springframework.web.servlet.function.ServerRequest;
import org.springframework.web.servlet.function.ServerResponse;

/** Serves the built page: its files by their names, and for every place of the page itself the one document. */
@Configuration(proxyBeanMethods = false)
public class Page implements WebMvcConfigurer {
    private static final MediaType HTML = new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8);
    private static final Set<String> READS = Set.of("GET", "HEAD");
    /** What is no place of the page: the calls, the health, the built files, the failures. */
    private static final List<String> OF_THE_SERVER = List.of("/api", "/actuator", "/assets", "/error");
    /** Where the document takes the mark by which its own style elements are let through. */
    private static final String MARK = "{nonce}";

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
        registry.addResourceHandler("/**")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache());
    }

    /** The document; it is made anew for each call, so that no browser keeps it with a mark of yesterday. */
    @Bean
    RouterFunction<ServerResponse> document() throws IOException {
        String document = new ClassPathResource("static/index.html").getContentAsString(StandardCharsets.UTF_8);
        return RouterFunctions.route(
                Page::isPlace,
                request -> ServerResponse.ok()
                        .contentType(HTML)
                        .cacheControl(CacheControl.noStore())
                        .body(document.replace(
                                MARK, String.valueOf(request.servletRequest().getAttribute(Calls.NONCE)))));
    }

    private static boolean isPlace(ServerRequest request) {
        String path = request.path();
        boolean ofTheServer = OF_THE_SERVER.stream().anyMatch(path::startsWith);
        return READS.contains(request.method().name())
                && (path.equals("/index.html") || (!ofTheServer && !path.contains(".")));
    }
}
