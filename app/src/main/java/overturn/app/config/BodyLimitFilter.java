package overturn.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses bodies above a limit, announced or not, and those that take too long to arrive; files and pictures share a
 * part of the heap, beyond which they wait their turn.
 */
@Component
@Order(DoorFilter.BEFORE_SECURITY + 1)
public class BodyLimitFilter extends OncePerRequestFilter {

    /** The largest body taken, bytes; a reading needs a few hundred. */
    public static final int MOST_BYTES = 64 * 1024;

    /** The largest job file taken, bytes. */
    public static final int MOST_FILE_BYTES = 32 * 1024 * 1024;

    /** The largest body with a picture in base64, bytes. */
    public static final int MOST_PHOTO_BYTES = 14 * 1024 * 1024;

    private static final String FILES = "/api/job-files";
    private static final String PHOTOS = "/photos";

    /** Time in which a whole body has to be there, s: at a few hundred bytes even a bad connection needs less. */
    public static final int MOST_SECONDS = 15;

    /** Time in which a file or a picture has to be there, s. */
    public static final int MOST_FILE_SECONDS = 90;

    /** Of the heap, all files and pictures under way may take so much together. */
    private static final double SHARE_OF_HEAP = 0.25;
    /** A file is held as text, as a tree and as entries at once; a picture as text and as bytes. Estimate. */
    private static final int TIMES_HELD = 4;

    private static final int MOST_WAITING_SECONDS = 30;

    private final Semaphore largeBytes = new Semaphore(
            (int) Math.min(
                    Integer.MAX_VALUE, SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()),
            true);

    /** A body of which a part was still missing when its time was up. */
    public static final class BodyTooSlowException extends IOException {

        private static final long serialVersionUID = 1L;

        BodyTooSlowException(int seconds) {
            super("The body was not there within " + seconds + " s");
        }
    }

    /** A body that turned out too large while it was read. */
    public static final class BodyTooLargeException extends IOException {

        private static final long serialVersionUID = 1L;

        BodyTooLargeException(int most) {
            super(told(most));
        }

        static String told(int most) {
            return "The body is larger than " + most + " bytes, which is the most that is taken";
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        int most = most(request.getRequestURI());
        if (request.getContentLengthLong() > most) {
            Refusals.send(response, 413, "body-too-large", "Too much at once", BodyTooLargeException.told(most));
            return;
        }
        long announced = request.getContentLengthLong();
        long held = announced < 0 ? most : announced;
        if (most == MOST_BYTES || held <= MOST_BYTES) {
            chain.doFilter(new Limited(request, most), response);
        } else {
            inTurn(
                    (int) Math.min(
                            held * TIMES_HELD,
                            SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()),
                    response,
                    () -> chain.doFilter(new Limited(request, most), response));
        }
    }

    private interface Passing {
        void on() throws IOException, ServletException;
    }

    private void inTurn(int bytes, HttpServletResponse response, Passing passing) throws IOException, ServletException {
        if (!acquired(bytes)) {
            response.setHeader("Retry-After", Integer.toString(MOST_WAITING_SECONDS));
            Refusals.send(
                    response,
                    503,
                    "busy-with-files",
                    "Busy with other files",
                    "Other files and pictures are being taken; send it again in half a minute");
            return;
        }
        try {
            passing.on();
        } finally {
            largeBytes.release(bytes);
        }
    }

    private boolean acquired(int bytes) {
        try {
            return largeBytes.tryAcquire(bytes, MOST_WAITING_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private static int most(String uri) {
        return uri.equals(FILES) ? MOST_FILE_BYTES : uri.endsWith(PHOTOS) ? MOST_PHOTO_BYTES : MOST_BYTES;
    }

    private static int mostSeconds(int most) {
        return most == MOST_BYTES ? MOST_SECONDS : MOST_FILE_SECONDS;
    }

    private static final class Limited extends HttpServletRequestWrapper {

        private final int most;

        Limited(HttpServletRequest request, int most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new CountedStream(super.getInputStream(), most);
        }
    }

    private static final class CountedStream extends ServletInputStream {
        private final ServletInputStream inner;
        private final long from = System.nanoTime();
        private final int most;
        private int taken;

        CountedStream(ServletInputStream inner, int most) {
            this.inner = inner;
            this.most = most;
        }

        @Override
        public int read() throws IOException {
            int next = inner.read();
            counted(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            int read = inner.read(into, offset, length);
            counted(Math.max(0, read));
            return read;
        }

        private void counted(int bytes) throws IOException {
            if (System.nanoTime() - from > TimeUnit.SECONDS.toNanos(mostSeconds(most))) {
                throw new BodyTooSlowException(mostSeconds(most));
            }
            taken += bytes;
            if (taken > most) {
                throw new BodyTooLargeException(most);
            }
        }

        @Override
        public boolean isFinished() {
            return inner.isFinished();
        }

        @Override
        public boolean isReady() {
            return inner.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            inner.setReadListener(listener);
        }
    }
}
