package ebbtide.app.storage;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who may do what with a plan, and the links by which people come: invitations, and links that show one plan. */
@Repository
public class MemberStore {
    private final JdbcClient client;
    private final Clock clock;

    MemberStore(JdbcClient client, Clock clock) {
        this.client = client;
        this.clock = clock;
    }

    /** A person's role in a plan. */
    public record Member(String planId, String personId, String role) {}

    /** Returns the members of a plan. */
    public List<Member> of(String planId) {
        return client.sql("select plan_id, person_id, role from plan_member where plan_id = ?")
                .param(planId)
                .query(Member.class)
                .list();
    }

    /** Returns the plans of a person. */
    public List<Member> plansOf(String personId) {
        return client.sql("select plan_id, person_id, role from plan_member where person_id = ?")
                .param(personId)
                .query(Member.class)
                .list();
    }

    public Optional<Member> find(String planId, String personId) {
        return client.sql("select plan_id, person_id, role from plan_member where plan_id = ? and person_id = ?")
                .params(planId, personId)
                .query(Member.class)
                .optional();
    }

    public void put(Member member) {
        remove(member.planId(), member.personId());
        client.sql("insert into plan_member (plan_id, person_id, role) values (?, ?, ?)")
                .params(member.planId(), member.personId(), member.role())
                .update();
    }

    public void remove(String planId, String personId) {
        client.sql("delete from plan_member where plan_id = ? and person_id = ?")
                .params(planId, personId)
                .update();
    }

    /** Makes a person the owner of every plan that nobody owns. */
    public void adoptPlans(String personId) {
        client.sql("""
        insert into plan_member (plan_id, person_id, role)
        select id, ?, 'OWNER' from plan p
        where not exists (select 1 from plan_member m where m.plan_id = p.id and m.role = 'OWNER')""").param(personId).update();
    }

    /**
     * What an invitation is to: a plan in a role, or nothing but to be there (null), or, of a person who is there, to
     * set a password anew.
     */
    public record Invitation(
            @Nullable String planId,
            @Nullable String role,
            @Nullable String personId,
            String madeBy,
            OffsetDateTime untilTime) {}

    public void addInvitation(String hash, Invitation to) {
        client.sql("""
        insert into invitation (hash, plan_id, role, person_id, made_by, until_time) values (?, ?, ?, ?, ?, ?)""")
                .param(1, hash)
                .param(2, to.planId())
                .param(3, to.role())
                .param(4, to.personId())
                .param(5, to.madeBy())
                .param(6, to.untilTime())
                .update();
    }

    /** Returns an invitation that is not used and not over, by what its token hashes to. */
    public Optional<Invitation> findInvitation(String hash) {
        return client.sql("""
        select plan_id, role, person_id, made_by, until_time from invitation where hash = ? and until_time > ?""")
                .params(hash, OffsetDateTime.now(clock))
                .query(Invitation.class)
                .optional();
    }

    /** Uses an invitation up; returns whether it was there. */
    public boolean useInvitation(String hash) {
        return client.sql("delete from invitation where hash = ?").param(hash).update() > 0;
    }

    /** Takes back what invitations there are of nobody and to no plan: those to be the first. */
    public void removeFirstInvitations() {
        client.sql("delete from invitation where plan_id is null and person_id is null")
                .update();
    }

    /** A link that shows a plan to whoever has it, until a time, unless it is taken back. */
    public record ViewerLink(
            String id,
            String planId,
            String note,
            String madeBy,
            OffsetDateTime madeAt,
            OffsetDateTime untilTime,
            boolean takenBack) {}

    private static final String LINK =
            "select id, plan_id, note, made_by, made_at, until_time, taken_back from viewer_link ";

    public void addLink(String hash, ViewerLink link) {
        client.sql("""
        insert into viewer_link (id, hash, plan_id, note, made_by, made_at, until_time, taken_back)
        values (?, ?, ?, ?, ?, ?, ?, false)""")
                .params(link.id(), hash, link.planId(), link.note(), link.madeBy(), link.madeAt(), link.untilTime())
                .update();
    }

    /** Returns the links to a plan, the latest first. */
    public List<ViewerLink> links(String planId) {
        return client.sql(LINK + "where plan_id = ? order by made_at desc")
                .param(planId)
                .query(ViewerLink.class)
                .list();
    }

    /** Returns a link that holds, by what its token hashes to. */
    public Optional<ViewerLink> findLink(String hash) {
        return client.sql(LINK + "where hash = ? and until_time > ? and not taken_back")
                .params(hash, OffsetDateTime.now(clock))
                .query(ViewerLink.class)
                .optional();
    }

    public void takeLinkBack(String planId, String id) {
        client.sql("update viewer_link set taken_back = true where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
    }
}
