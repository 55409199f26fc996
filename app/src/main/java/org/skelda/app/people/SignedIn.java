package org.skelda.app.people;

import java.io.Serial;
import java.io.Serializable;
import java.security.Principal;
import org.skelda.core.crew.Person;

/**
 * Who a session belongs to; kept with the session in the database.
 *
 * @param id the account's id
 * @param operatorId whose departures the person sees
 * @param fullName as shown
 * @param duty what the person is at the operator
 */
public record SignedIn(String id, String operatorId, String fullName, String duty) implements Principal, Serializable {
    @Serial
    private static final long serialVersionUID = 1L;

    static SignedIn of(Account account) {
        return new SignedIn(
                account.person().id(), account.operatorId(), account.person().name(), account.duty());
    }

    @Override
    public String getName() {
        return id;
    }

    public Person person() {
        return new Person(id, fullName);
    }
}
