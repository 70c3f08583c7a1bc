package ebbtide.sim;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.Signature;
import java.security.interfaces.RSAPublicKey;
import java.time.Instant;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A provider of sign-ins (OpenID Connect) behind a local address, which believes whoever chooses one of two made-up
 * people. It names people as a real one does: a code for one use, held to the secret and to what its sender alone knows
 * (PKCE), and a signed token.
 */
public final class ProviderStandIn implements AutoCloseable {
    private static final String CLIENT = "ebbtide";
    private static final int TOKEN_SECONDS = 300;
    private static final Map<String, String> PEOPLE =
            Map.of("marina@example.org", "Marina Sand", "tomas@example.org", "Tomas Reed");

    private final HttpServer server;
    private final KeyPair keys;
    private final String secret = UUID.randomUUID().toString();
    private final Map<String, Map<String, String>> codes = new ConcurrentHashMap<>();

    private ProviderStandIn(HttpServer server, KeyPair keys) {
        this.server = server;
        this.keys = keys;
    }

    /**
     * Starts on a free port of this machine alone.
     *
     * @throws UncheckedIOException where no port can be had
     */
    public static ProviderStandIn start() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA");
            generator.initialize(2048);
            ProviderStandIn one = new ProviderStandIn(
                    HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0),
                    generator.generateKeyPair());
            one.server.createContext("/", one::answer);
            one.server.start();
            return one;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java has RSA", e);
        }
    }

    /** Returns what is agreed with it: issuer, client, secret, name. */
    public Map<String, String> settings() {
        return Map.of("issuer", address(), "client", CLIENT, "secret", secret, "name", "the demo's provider");
    }

    private String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        Map<String, String> query = form(exchange.getRequestURI().getRawQuery());
        try {
            switch (exchange.getRequestURI().getPath()) {
                case "/.well-known/openid-configuration" -> send(exchange, 200, "application/json", configuration());
                case "/keys" -> send(exchange, 200, "application/json", publicKeys());
                case "/who" -> send(exchange, 200, "text/html; charset=utf-8", page(query));
                case "/chosen" -> {
                    exchange.getResponseHeaders().set("Location", chosen(query));
                    exchange.sendResponseHeaders(302, -1);
                    exchange.close();
                }
                case "/token" -> {
                    byte[] body = exchange.getRequestBody().readAllBytes();
                    String token = token(
                            form(new String(body, StandardCharsets.UTF_8)),
                            exchange.getRequestHeaders().getFirst("Authorization"));
                    send(
                            exchange,
                            token == null ? 400 : 200,
                            "application/json",
                            token == null ? "{\"error\":\"invalid_grant\"}" : token);
                }
                default -> send(exchange, 404, "text/plain", "There is nothing here");
            }
        } catch (GeneralSecurityException e) {
            send(exchange, 500, "text/plain", "It was not possible to sign");
        }
    }

    private static void send(HttpExchange exchange, int status, String type, String text) throws IOException {
        byte[] body = text.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(status, body.length);
        exchange.getResponseBody().write(body);
        exchange.close();
    }

    private String configuration() {
        return """
        {"issuer":"%1$s","authorization_endpoint":"%1$s/who","token_endpoint":"%1$s/token","jwks_uri":"%1$s/keys",
        "response_types_supported":["code"],"subject_types_supported":["public"],
        "id_token_signing_alg_values_supported":["RS256"],"code_challenge_methods_supported":["S256"]}""".formatted(address());
    }

    private String publicKeys() {
        RSAPublicKey key = (RSAPublicKey) keys.getPublic();
        return "{\"keys\":[{\"kty\":\"RSA\",\"use\":\"sig\",\"alg\":\"RS256\",\"kid\":\"one\",\"n\":\""
                + written(key.getModulus()) + "\",\"e\":\"" + written(key.getPublicExponent()) + "\"}]}";
    }

    private static String written(BigInteger number) {
        byte[] bytes = number.toByteArray();
        return base64(bytes[0] == 0 ? Arrays.copyOfRange(bytes, 1, bytes.length) : bytes);
    }

    private static String base64(byte[] bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    /** The page on which somebody says who they are. */
    private static String page(Map<String, String> query) {
        return "<!doctype html><html lang=en><title>Who are you?</title><h1>Who are you?</h1><ul>"
                + PEOPLE.keySet().stream()
                        .sorted()
                        .map(login -> {
                            Map<String, String> asked = new LinkedHashMap<>(query);
                            asked.put("login", login);
                            return "<li><a href=\"/chosen?" + written(asked).replace("&", "&amp;") + "\">"
                                    + PEOPLE.get(login) + "</a></li>";
                        })
                        .collect(Collectors.joining())
                + "</ul>";
    }

    private static String written(Map<String, String> form) {
        return form.entrySet().stream()
                .map(one -> one.getKey() + "=" + URLEncoder.encode(one.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
    }

    private String chosen(Map<String, String> asked) {
        String code = UUID.randomUUID().toString();
        codes.put(code, asked);
        return asked.getOrDefault("redirect_uri", "") + "?"
                + written(Map.of("code", code, "state", asked.getOrDefault("state", "")));
    }

    /** Returns a token for a code, null where the code, the secret or what the sender knows is not right. */
    private @Nullable String token(Map<String, String> form, @Nullable String authorization)
            throws GeneralSecurityException {
        Map<String, String> asked = codes.remove(form.getOrDefault("code", ""));
        String basic =
                "Basic " + Base64.getEncoder().encodeToString((CLIENT + ":" + secret).getBytes(StandardCharsets.UTF_8));
        if (asked == null
                || !basic.equals(authorization)
                || !CLIENT.equals(asked.get("client_id"))
                || !asked.getOrDefault("redirect_uri", "").equals(form.get("redirect_uri"))
                || !challenge(form.getOrDefault("code_verifier", "")).equals(asked.get("code_challenge"))) {
            return null;
        }
        String login = asked.getOrDefault("login", "");
        long now = Instant.now().getEpochSecond();
        String claims = """
        {"iss":"%s","sub":"id-of-%s","aud":"%s","iat":%d,"exp":%d,"nonce":"%s","name":"%s","email":"%s"}""".formatted(
                        address(),
                        login,
                        CLIENT,
                        now,
                        now + TOKEN_SECONDS,
                        asked.getOrDefault("nonce", ""),
                        PEOPLE.get(login),
                        login);
        return "{\"access_token\":\"" + UUID.randomUUID() + "\",\"token_type\":\"Bearer\",\"expires_in\":"
                + TOKEN_SECONDS + ",\"id_token\":\"" + signed(claims) + "\"}";
    }

    private static String challenge(String verifier) throws GeneralSecurityException {
        return base64(MessageDigest.getInstance("SHA-256").digest(verifier.getBytes(StandardCharsets.US_ASCII)));
    }

    private String signed(String claims) throws GeneralSecurityException {
        String head = base64("{\"alg\":\"RS256\",\"kid\":\"one\"}".getBytes(StandardCharsets.UTF_8));
        String text = head + "." + base64(claims.getBytes(StandardCharsets.UTF_8));
        Signature signature = Signature.getInstance("SHA256withRSA");
        signature.initSign(keys.getPrivate());
        signature.update(text.getBytes(StandardCharsets.US_ASCII));
        return text + "." + base64(signature.sign());
    }

    private static Map<String, String> form(@Nullable String text) {
        return text == null
                ? Map.of()
                : Arrays.stream(text.split("&"))
                        .map(one -> one.split("=", 2))
                        .filter(one -> one.length == 2)
                        .collect(Collectors.toMap(
                                one -> one[0],
                                one -> URLDecoder.decode(one[1], StandardCharsets.UTF_8),
                                (first, second) -> second,
                                LinkedHashMap::new));
    }
}
