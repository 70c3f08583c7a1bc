package ebbtide.app.people;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.Signature;
import java.security.interfaces.ECPublicKey;
import java.security.spec.ECGenParameterSpec;
import java.util.Base64;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.json.JsonMapper;

/**
 * A device with one passkey, and the browser before it, which says where it is: what both say as the standard has it.
 */
final class Device {
    private static final int PERSON_PRESENT = 1;
    private static final int PERSON_VERIFIED = 4;
    private static final int KEY_FOLLOWS = 0x40;

    private final String site;
    private final String origin;
    private final boolean asksPerson;
    private final byte[] id = bytes(UUID.randomUUID().toString());
    private final KeyPair key = keyPair();
    private int signatures;

    Device(String site, String origin, boolean asksPerson) {
        this.site = site;
        this.origin = origin;
        this.asksPerson = asksPerson;
    }

    /** Answers to being asked for a new key. */
    String make(String challenge) {
        ByteArrayOutputStream attestation = new ByteArrayOutputStream();
        attestation.write(0xA3);
        text(attestation, "fmt");
        text(attestation, "none");
        text(attestation, "attStmt");
        attestation.write(0xA0);
        text(attestation, "authData");
        bytes(attestation, authenticatorData(KEY_FOLLOWS, newKey()));
        return credential(Map.of(
                "clientDataJSON", encoded(clientData("webauthn.create", challenge)),
                "attestationObject", encoded(attestation.toByteArray())));
    }

    /** Answers to a challenge by a signature. */
    String sign(String challenge, String userId) {
        byte[] data = authenticatorData(0, new byte[0]);
        byte[] client = clientData("webauthn.get", challenge);
        try {
            Signature signature = Signature.getInstance("SHA256withECDSA");
            signature.initSign(key.getPrivate());
            signature.update(data);
            signature.update(sha256(client));
            return credential(Map.of(
                    "clientDataJSON", encoded(client),
                    "authenticatorData", encoded(data),
                    "signature", encoded(signature.sign()),
                    "userHandle", encoded(bytes(userId))));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private String credential(Map<String, String> response) {
        return JsonMapper.shared()
                .writeValueAsString(Map.of(
                        "id",
                        encoded(id),
                        "rawId",
                        encoded(id),
                        "type",
                        "public-key",
                        "authenticatorAttachment",
                        "platform",
                        "clientExtensionResults",
                        Map.of(),
                        "response",
                        response));
    }

    private byte[] clientData(String what, String challenge) {
        return bytes("{\"type\":\"" + what + "\",\"challenge\":\"" + challenge + "\",\"origin\":\"" + origin
                + "\",\"crossOrigin\":false}");
    }

    private byte[] authenticatorData(int flags, byte[] more) {
        signatures++;
        return ByteBuffer.allocate(37 + more.length)
                .put(sha256(bytes(site)))
                .put((byte) (flags | PERSON_PRESENT | (asksPerson ? PERSON_VERIFIED : 0)))
                .putInt(signatures)
                .put(more)
                .array();
    }

    private byte[] newKey() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[16]);
        out.writeBytes(ByteBuffer.allocate(2).putShort((short) id.length).array());
        out.writeBytes(id);
        // On the curve P-256, for signatures of SHA-256.
        out.writeBytes(new byte[] {(byte) 0xA5, 1, 2, 3, 0x26, 0x20, 1});
        ECPublicKey half = (ECPublicKey) key.getPublic();
        out.write(0x21);
        bytes(out, coordinate(half.getW().getAffineX().toByteArray()));
        out.write(0x22);
        bytes(out, coordinate(half.getW().getAffineY().toByteArray()));
        return out.toByteArray();
    }

    private static byte[] coordinate(byte[] number) {
        byte[] padded = new byte[32];
        int most = Math.min(32, number.length);
        System.arraycopy(number, number.length - most, padded, 32 - most, most);
        return padded;
    }

    private static void text(ByteArrayOutputStream out, String text) {
        out.write(0x60 | text.length());
        out.writeBytes(bytes(text));
    }

    private static void bytes(ByteArrayOutputStream out, byte[] bytes) {
        out.write(0x58);
        out.write(bytes.length);
        out.writeBytes(bytes);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String encoded(byte[] bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    private static byte[] sha256(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static KeyPair keyPair() {
        try {
            KeyPairGenerator keys = KeyPairGenerator.getInstance("EC");
            keys.initialize(new ECGenParameterSpec("secp256r1"));
            return keys.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }
}
