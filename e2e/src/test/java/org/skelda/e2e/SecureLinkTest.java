package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.Base64;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Under TLS, by the server itself or by a proxy before it, every cookie stays on the secured link. */
class SecureLinkTest {
    private static final char[] STORE_PASSWORD = "only-for-this-test".toCharArray();
    private static final int TRIES = 1000;

    @Test
    void theShippedServerSpeaksTlsWithTheCertificateItIsGiven(@TempDir Path folder) throws Exception {
        KeyStore own = certificate(folder);
        Path certificate = pem(
                folder.resolve("cert.pem"),
                "CERTIFICATE",
                own.getCertificate("own").getEncoded());
        Path key = pem(
                folder.resolve("key.pem"),
                "PRIVATE KEY",
                own.getKey("own", STORE_PASSWORD).getEncoded());
        int port = freePort();
        Path data = folder.resolve("data");
        TestServer.copySeedInto(data);
        Process skelda = new ProcessBuilder(
                        System.getProperty("skelda.cli", "../skelda"),
                        "demo",
                        "--port",
                        String.valueOf(port),
                        "--data",
                        data.toString(),
                        "--tls",
                        certificate.toString(),
                        key.toString())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("server.log").toFile())
                .start();
        try (HttpClient trusting =
                        HttpClient.newBuilder().sslContext(trusting(own)).build();
                HttpClient plain = HttpClient.newHttpClient()) {
            String address = "https://127.0.0.1:" + port;
            whenUp(trusting, address, skelda, folder);
            HttpResponse<String> answer = trusting.send(signIn(address).build(), HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(answer.sslSession()).as("the link is secured").isPresent();
            assertThat(cookies(answer)).isNotEmpty().allMatch(SecureLinkTest::isSecure);
            HttpResponse<String> unsecured =
                    plain.send(signIn("http://127.0.0.1:" + port).build(), HttpResponse.BodyHandlers.ofString());
            assertThat(unsecured.statusCode()).as("an answer on the plain link").isEqualTo(400);
            assertThat(cookies(unsecured)).isEmpty();
        } finally {
            skelda.destroy();
            assertThat(skelda.waitFor(20, TimeUnit.SECONDS))
                    .as("the script ends its server")
                    .isTrue();
        }
        assertThat(Files.readString(folder.resolve("server.log")))
                .contains("Skelda is running: https://127.0.0.1:" + port, "Skelda has stopped.");
    }

    @Test
    void behindAProxyThatSpeaksTlsCookiesAreSecureToo() throws Exception {
        try (TestServer server = TestServer.start(1);
                HttpClient client = HttpClient.newHttpClient()) {
            HttpRequest.Builder signIn = signIn(server.address());
            assertThat(cookies(client.send(signIn.build(), HttpResponse.BodyHandlers.ofString())))
                    .isNotEmpty()
                    .noneMatch(SecureLinkTest::isSecure);
            HttpResponse<String> forwarded = client.send(
                    signIn.header("X-Forwarded-Proto", "https").build(), HttpResponse.BodyHandlers.ofString());
            assertThat(cookies(forwarded)).isNotEmpty().allMatch(SecureLinkTest::isSecure);
        }
    }

    private static HttpRequest.Builder signIn(String address) {
        return HttpRequest.newBuilder(URI.create(address + "/api/session"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"account\":\"strand\",\"password\":\"" + CrewMember.PASSWORD + "\"}"));
    }

    private static List<String> cookies(HttpResponse<?> answer) {
        return answer.headers().allValues("Set-Cookie");
    }

    private static boolean isSecure(String cookie) {
        return List.of(cookie.split("; *")).contains("Secure");
    }

    private static void whenUp(HttpClient client, String address, Process server, Path folder) throws Exception {
        HttpRequest health =
                HttpRequest.newBuilder(URI.create(address + "/actuator/health")).build();
        for (int i = 0; i < TRIES && server.isAlive(); i++) {
            try {
                if (client.send(health, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
                    return;
                }
            } catch (IOException _) {
                // Not up yet.
            }
            TestServer.pause(250);
        }
        throw new AssertionError("the server did not start: " + Files.readString(folder.resolve("server.log")));
    }

    /** A key and a certificate of its own for this machine, made by the JDK's tool. */
    private static KeyStore certificate(Path folder) throws Exception {
        Path store = folder.resolve("own.p12");
        Process made = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "keytool")
                                .toString(),
                        "-genkeypair",
                        "-alias",
                        "own",
                        "-keyalg",
                        "EC",
                        "-dname",
                        "CN=localhost",
                        "-ext",
                        "san=ip:127.0.0.1",
                        "-validity",
                        "2",
                        "-storetype",
                        "PKCS12",
                        "-keystore",
                        store.toString(),
                        "-storepass",
                        new String(STORE_PASSWORD))
                .redirectErrorStream(true)
                .start();
        String said = new String(made.getInputStream().readAllBytes());
        assertThat(made.waitFor()).as(said).isZero();
        KeyStore own = KeyStore.getInstance("PKCS12");
        try (InputStream in = Files.newInputStream(store)) {
            own.load(in, STORE_PASSWORD);
        }
        return own;
    }

    private static Path pem(Path file, String what, byte[] content) throws IOException {
        return Files.writeString(
                file,
                "-----BEGIN " + what + "-----\n"
                        + Base64.getMimeEncoder(64, new byte[] {'\n'}).encodeToString(content) + "\n-----END " + what
                        + "-----\n");
    }

    private static SSLContext trusting(KeyStore own) throws Exception {
        TrustManagerFactory trust = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        KeyStore only = KeyStore.getInstance("PKCS12");
        only.load(null, null);
        only.setCertificateEntry("own", own.getCertificate("own"));
        trust.init(only);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, trust.getTrustManagers(), null);
        return context;
    }

    private static int freePort() throws IOException {
        try (ServerSocket free = new ServerSocket(0)) {
            return free.getLocalPort();
        }
    }
}
