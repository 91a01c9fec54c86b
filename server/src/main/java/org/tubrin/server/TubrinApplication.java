package org.tubrin.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** Starts the server. */
@SpringBootApplication(proxyBeanMethods = false)
public class TubrinApplication {
    public static void main(String[] args) {
        SpringApplication.run(TubrinApplication.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
