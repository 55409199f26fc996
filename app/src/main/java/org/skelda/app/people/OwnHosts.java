package org.skelda.app.people;

import jakarta.servlet.http.HttpServletRequest;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.skelda.app.SkeldaProperties;
import org.springframework.boot.web.server.autoconfigure.ServerProperties;
import org.springframework.stereotype.Component;

/**
 * The names under which this server answers: those of the address it listens at, and those its administrator gave it. A
 * request for any other was sent here by a page of somebody else, whose name was made to lead to this machine.
 */
@Component
class OwnHosts {
    private static final Set<String> THIS_MACHINE = Set.of("localhost", "127.0.0.1", "::1");

    private final Set<String> names = new TreeSet<>(THIS_MACHINE);

    OwnHosts(SkeldaProperties properties, ServerProperties server) {
        InetAddress bound = server.getAddress();
        if (bound == null || bound.isAnyLocalAddress()) {
            names.addAll(allOfThisMachine());
        } else {
            names.add(bound.getHostAddress());
        }
        properties.hosts().forEach(name -> names.add(name.toLowerCase(Locale.ROOT)));
    }

    private static Set<String> allOfThisMachine() {
        try {
            Set<String> found = new TreeSet<>();
            NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .forEach(address -> found.add(bare(address.getHostAddress())));
            found.add(InetAddress.getLocalHost().getHostName().toLowerCase(Locale.ROOT));
            return found;
        } catch (SocketException | UnknownHostException e) {
            throw new IllegalStateException(
                    "the addresses of this machine could not be read; name them with skelda.hosts", e);
        }
    }

    /** Whether a name, as a request gives it, is one of this server's. */
    boolean contains(String host) {
        return names.contains(bare(host).toLowerCase(Locale.ROOT));
    }

    /** Whether a request was sent by a page of this server, as far as the browser says where its page is from. */
    boolean sent(HttpServletRequest request) {
        String origin = request.getHeader("Origin");
        if (origin == null) {
            return true;
        }
        try {
            String host = URI.create(origin).getHost();
            return host != null && contains(host);
        } catch (IllegalArgumentException _) {
            return false;
        }
    }

    /** Without the brackets and the zone of an address. */
    private static String bare(String host) {
        String inside = host.startsWith("[") && host.endsWith("]") ? host.substring(1, host.length() - 1) : host;
        int zone = inside.indexOf('%');
        return zone < 0 ? inside : inside.substring(0, zone);
    }
}
