package overturn.app.support;

import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/**
 * Digests of few rounds: hundreds of tests sign in, and what protects a stolen table costs them a tenth of a second.
 */
class QuickPasswords {

    private static final int FEWEST_ROUNDS_LOG2 = 4;

    @Bean
    @Primary
    PasswordEncoder quickPasswordEncoder() {
        return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(FEWEST_ROUNDS_LOG2)));
    }
}
