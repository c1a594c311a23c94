package overturn.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts the server. */
@SpringBootApplication
public class OverturnApplication {

    public static void main(String[] arguments) {
        SpringApplication.run(OverturnApplication.class, arguments);
    }
}
