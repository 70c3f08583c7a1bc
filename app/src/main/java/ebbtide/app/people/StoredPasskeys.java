package ebbtide.app.people;

import ebbtide.app.storage.PasskeyStore;
import ebbtide.app.storage.PasskeyStore.Passkey;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.webauthn.api.AuthenticatorTransport;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutableCredentialRecord;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialType;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;

/** The passkeys that are kept, as what checks their signatures reads and writes them. */
record StoredPasskeys(PasskeyStore store) implements UserCredentialRepository {
    @Override
    public void delete(Bytes id) {
        throw new IllegalStateException("A passkey is taken away by whose it is");
    }

    @Override
    public void save(CredentialRecord key) {
        String id = key.getCredentialId().toBase64UrlString();
        Optional<Passkey> known = store.find(id);
        if (known.isPresent()) {
            long before = known.get().signatures();
            if (before > 0 && key.getSignatureCount() <= before) {
                throw new IllegalArgumentException("A copy of the key has signed meanwhile: it counts what it signs");
            }
            store.used(id, key.getSignatureCount(), key.isBackupState());
        } else {
            store.add(new Passkey(
                    id,
                    PeopleAsUsers.personId(key.getUserEntityUserId()),
                    key.getLabel(),
                    Objects.requireNonNull(key.getAttestationObject()).getBytes(),
                    key.getSignatureCount(),
                    key.isBackupEligible(),
                    key.isBackupState(),
                    key.getTransports().stream()
                            .map(AuthenticatorTransport::getValue)
                            .collect(Collectors.joining(",")),
                    null,
                    null));
        }
    }

    @Override
    public @Nullable CredentialRecord findByCredentialId(Bytes id) {
        return store.find(id.toBase64UrlString()).map(StoredPasskeys::record).orElse(null);
    }

    @Override
    public List<CredentialRecord> findByUserId(Bytes userId) {
        return store.of(PeopleAsUsers.personId(userId)).stream()
                .map(StoredPasskeys::record)
                .toList();
    }

    private static CredentialRecord record(Passkey key) {
        return ImmutableCredentialRecord.builder()
                .credentialType(PublicKeyCredentialType.PUBLIC_KEY)
                .credentialId(Bytes.fromBase64(key.id()))
                .userEntityUserId(PeopleAsUsers.id(key.personId()))
                .attestationObject(new Bytes(key.attestation()))
                .signatureCount(key.signatures())
                .uvInitialized(true)
                .backupEligible(key.backupEligible())
                .backupState(key.backedUp())
                .transports(transports(key.transports()))
                .label(key.label())
                .created(instant(key.madeAt()))
                .lastUsed(instant(key.usedAt() == null ? key.madeAt() : key.usedAt()))
                .build();
    }

    private static Set<AuthenticatorTransport> transports(String said) {
        return Arrays.stream(said.split(","))
                .filter(one -> !one.isEmpty())
                .map(AuthenticatorTransport::valueOf)
                .collect(Collectors.toSet());
    }

    private static Instant instant(@Nullable OffsetDateTime time) {
        return time == null ? Instant.EPOCH : time.toInstant();
    }
}
