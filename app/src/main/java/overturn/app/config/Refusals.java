package overturn.app.config;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import tools.jackson.databind.json.JsonMapper;

/** Problem details sent before a request reaches a controller. */
final class Refusals {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .changeDefaultPropertyInclusion(told -> told.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .build();

    private Refusals() {}

    static void send(HttpServletResponse response, int status, String type, String title, String detail)
            throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setHeader("Connection", "close");
        response.getOutputStream()
                .write(text(HttpStatus.valueOf(status), type, title, detail).getBytes(StandardCharsets.UTF_8));
    }

    static String text(HttpStatus status, String type, String title, String detail) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setType(URI.create("urn:overturn:problem:" + type));
        problem.setTitle(title);
        return MAPPER.writeValueAsString(problem);
    }
}
