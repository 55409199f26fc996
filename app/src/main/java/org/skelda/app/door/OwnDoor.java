package org.skelda.app.door;

import java.net.InetAddress;
import org.apache.catalina.connector.Connector;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServer;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.server.autoconfigure.ServerProperties;
import org.springframework.stereotype.Component;

/**
 * Where this machine's own programs knock: the server's own door, or, where that is not this machine's own address or
 * speaks TLS, a second one on loopback that nobody else can reach.
 */
@Component
public class OwnDoor implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private static final String LOOPBACK = "127.0.0.1";

    private final ServerProperties server;
    private @Nullable Connector second;

    OwnDoor(ServerProperties server) {
        this.server = server;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        InetAddress address = server.getAddress();
        boolean elsewhere = address != null && !address.isLoopbackAddress() && !address.isAnyLocalAddress();
        boolean tls = server.getSsl() != null && server.getSsl().isEnabled();
        if (elsewhere || tls) {
            second = new Connector();
            second.setPort(0);
            second.setProperty("address", LOOPBACK);
            factory.addAdditionalConnectors(second);
        }
    }

    /** Its port, once the server listens. */
    public int port(WebServer main) {
        Connector own = second;
        return own == null ? main.getPort() : own.getLocalPort();
    }
}
