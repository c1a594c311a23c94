package overturn.app.config;

import java.net.InetAddress;
import java.util.regex.Pattern;
import org.apache.catalina.valves.RemoteCIDRValve;
import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;

/**
 * Listens beyond this machine only with TLS, or behind a proxy that is named: then nobody but that proxy and this
 * machine gets in, and forwarded headers are believed from that proxy alone.
 */
@Component
class Listening implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

    private static final String THIS_MACHINE = "127.0.0.0/8,::1";

    private final String proxy;

    /** @param proxy address of the proxy in front; empty where there is none */
    Listening(@Value("${overturn.proxy:}") String proxy) {
        this.proxy = proxy;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        InetAddress address = factory.getAddress();
        boolean beyond = address == null || !address.isLoopbackAddress();
        boolean encrypted = factory.getSsl() != null && factory.getSsl().isEnabled();
        if (beyond && !encrypted && proxy.isEmpty()) {
            throw new IllegalStateException(
                    "Refused to listen at " + address
                            + ": beyond this machine passwords would travel in the clear; give a certificate, or name the proxy in front");
        }
        if (!proxy.isEmpty()) {
            RemoteCIDRValve door = new RemoteCIDRValve();
            door.setUsePeerAddress(true);
            door.setAllow(THIS_MACHINE + "," + proxy);
            RemoteIpValve forwarded = new RemoteIpValve();
            forwarded.setInternalProxies(Pattern.quote(proxy));
            forwarded.setRemoteIpHeader("X-Forwarded-For");
            forwarded.setProtocolHeader("X-Forwarded-Proto");
            factory.addEngineValves(door, forwarded);
        }
    }

    /** Behind Spring's own, which set address and certificate. */
    @Override
    public int getOrder() {
        return Ordered.LOWEST_PRECEDENCE;
    }
}
