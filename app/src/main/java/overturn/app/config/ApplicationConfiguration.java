package overturn.app.config;

import com.fasterxml.jackson.annotation.Nulls;
import java.time.Clock;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.module.SimpleModule;

/** Beans that come from outside the program's own classes. */
@Configuration
class ApplicationConfiguration {

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    /** Bodies hold no null among the items of a list, and only text that can be kept. */
    @Bean
    JsonMapperBuilderCustomizer strictBodies() {
        return builder -> builder.addModule(
                        new SimpleModule("plain-text").addDeserializer(String.class, new PlainTextReader()))
                .changeDefaultNullHandling(handling -> handling.withContentNulls(Nulls.FAIL));
    }

    /** Headers have a time of their own, and the container's own pages are problem details too. */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> doorOfTheContainer() {
        return factory -> {
            factory.setProtocol(TimedHttp11Protocol.class.getName());
            factory.addContextCustomizers(context -> context.addLifecycleListener(new ContainerProblems.Fitted()));
        };
    }
}
