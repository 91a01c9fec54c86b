package org.tubrin.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.web.server.context.WebServerPortFileWriter;
import org.springframework.context.annotation.Bean;

/** Starts the server; where the property {@code tubrin.port-file} names a file, it writes there on which port it listens. */
@SpringBootApplication(proxyBeanMethods = false)
@ConfigurationPropertiesScan
public class TubrinApplication {
    public static void main(String[] args) {
        SpringApplication application = new SpringApplication(TubrinApplication.class);
        String portFile = System.getProperty("tubrin.port-file");
        if (portFile != null) {
            application.addListeners(new WebServerPortFileWriter(portFile));
        }
        application.run(args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
