package org.skelda.app.people;

import org.springframework.jdbc.core.simple.JdbcClient;

/** Somebody of another operator, for whom nothing of this one may be there. */
public final class OtherOperator {
    private static final String OPERATOR = "another";
    private static final String ACCOUNT = "elsewhere";

    private OtherOperator() {}

    /** The account; made when it is not there. */
    public static Account account(Accounts accounts, JdbcClient database) {
        return accounts.findByAccountName(ACCOUNT).orElseGet(() -> {
            database.sql("insert into operator (id, name) values (?, ?)")
                    .params(OPERATOR, "Another Air")
                    .update();
            return accounts.save(
                    new Account("f-1", OPERATOR, ACCOUNT, "Someone Else", "Captain", "no hash fits this", true));
        });
    }
}
