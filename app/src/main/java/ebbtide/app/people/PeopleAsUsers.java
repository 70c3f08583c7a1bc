package ebbtide.app.people;

import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;

/** People as a device knows whose its passkeys are: by an id, with login and name to choose by. */
record PeopleAsUsers(PersonStore people) implements PublicKeyCredentialUserEntityRepository {
    static String personId(Bytes id) {
        return new String(id.getBytes(), StandardCharsets.UTF_8);
    }

    static Bytes id(String personId) {
        return new Bytes(personId.getBytes(StandardCharsets.UTF_8));
    }

    private static PublicKeyCredentialUserEntity user(Person person) {
        return ImmutablePublicKeyCredentialUserEntity.builder()
                .id(id(person.id()))
                .name(person.login())
                .displayName(person.name())
                .build();
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findById(Bytes id) {
        return people.find(personId(id)).map(PeopleAsUsers::user).orElse(null);
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findByUsername(String login) {
        return people.findByLogin(login).map(PeopleAsUsers::user).orElse(null);
    }

    @Override
    public void save(PublicKeyCredentialUserEntity user) {
        throw new IllegalStateException("People come in by an invitation, and not by a passkey");
    }

    @Override
    public void delete(Bytes id) {
        throw new IllegalStateException("People are shut out, and not deleted");
    }
}
