package org.skelda.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** A link between browser and server on loopback that can be cut, as when a tablet leaves the network, and mended. */
final class CuttableLink implements AutoCloseable {
    private final ServerSocket door;
    private final int serverPort;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    CuttableLink(TestServer server) {
        serverPort = URI.create(server.address()).getPort();
        try {
            door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Thread.ofVirtual().start(this::accept);
    }

    String address() {
        return "http://127.0.0.1:" + door.getLocalPort();
    }

    void cut() {
        cut = true;
        open.forEach(CuttableLink::drop);
    }

    void mend() {
        cut = false;
    }

    private void accept() {
        try {
            while (!door.isClosed()) {
                Socket browser = door.accept();
                if (cut) {
                    drop(browser);
                } else {
                    join(browser);
                }
            }
        } catch (IOException _) {
            // The door was closed: the test is over.
        }
    }

    private void join(Socket browser) {
        try {
            Socket server = new Socket(InetAddress.getLoopbackAddress(), serverPort);
            open.add(browser);
            open.add(server);
            Thread.ofVirtual().start(() -> pass(browser, server));
            Thread.ofVirtual().start(() -> pass(server, browser));
        } catch (IOException _) {
            drop(browser); // No server at the other end now.
        }
    }

    private void pass(Socket from, Socket to) {
        try {
            from.getInputStream().transferTo(to.getOutputStream());
        } catch (IOException _) {
            // One side went away; the other follows.
        } finally {
            drop(from);
            drop(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void drop(Socket socket) {
        try {
            socket.close();
        } catch (IOException _) {
            // Closed already.
        }
    }

    @Override
    public void close() {
        try {
            door.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        cut();
    }
}
