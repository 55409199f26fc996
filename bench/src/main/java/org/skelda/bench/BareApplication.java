package org.skelda.bench;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.SpringBootConfiguration;
import org.springframework.boot.autoconfigure.EnableAutoConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.web.servlet.function.RouterFunction;
import org.springframework.web.servlet.function.RouterFunctions;
import org.springframework.web.servlet.function.ServerResponse;

/** The framework with one page and nothing else, to compare a start with. */
@SpringBootConfiguration
@EnableAutoConfiguration(
        excludeName = {
            "org.springframework.boot.jdbc.autoconfigure.DataSourceAutoConfiguration",
            "org.springframework.boot.hibernate.autoconfigure.HibernateJpaAutoConfiguration",
            "org.springframework.boot.flyway.autoconfigure.FlywayAutoConfiguration",
            "org.springframework.boot.session.jdbc.autoconfigure.JdbcSessionAutoConfiguration",
            "org.springframework.boot.data.jpa.autoconfigure.DataJpaRepositoriesAutoConfiguration",
            "org.springframework.boot.security.autoconfigure.actuate.web.servlet."
                    + "ManagementWebSecurityAutoConfiguration",
            "org.springframework.boot.security.autoconfigure.SecurityAutoConfiguration",
            "org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration",
            "org.springframework.boot.security.autoconfigure.web.servlet.ServletWebSecurityAutoConfiguration",
            "org.springframework.boot.security.autoconfigure.web.servlet.SecurityFilterAutoConfiguration"
        })
public class BareApplication {
    public static void main(String[] arguments) {
        SpringApplication application = new SpringApplication(BareApplication.class);
        application.setDefaultProperties(
                java.util.Map.of("server.address", "127.0.0.1", "spring.config.location", "optional:classpath:/none/"));
        application.run(arguments);
    }

    @Bean
    RouterFunction<ServerResponse> page() {
        return RouterFunctions.route()
                .GET("/", _ -> ServerResponse.ok().body("here"))
                .build();
    }
}
