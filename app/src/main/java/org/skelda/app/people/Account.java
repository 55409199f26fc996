package org.skelda.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.skelda.core.crew.Person;

/** Someone who may sign in. */
@Entity
public class Account {
    /** Role of the operator's administration: issues and revokes feeds, amends any record of the operator. */
    public static final String ADMINISTRATOR = "ADMINISTRATOR";

    /** Role of the standards office: sets the schools of the operator's procedures. */
    public static final String STANDARDS = "STANDARDS";

    @Id
    private String id;

    private String operatorId;
    private String accountName;
    private String fullName;
    private String duty;
    private String passwordHash;
    private boolean demo;
    private boolean administrator;
    private boolean standards;

    protected Account() {}

    public Account(
            String id,
            String operatorId,
            String accountName,
            String fullName,
            String duty,
            String passwordHash,
            boolean demo) {
        this.id = id;
        this.operatorId = operatorId;
        this.accountName = PlainName.of(accountName);
        this.fullName = PlainName.of(fullName);
        this.duty = PlainName.of(duty);
        this.passwordHash = passwordHash;
        this.demo = demo;
    }

    public String operatorId() {
        return operatorId;
    }

    public String accountName() {
        return accountName;
    }

    public String duty() {
        return duty;
    }

    String passwordHash() {
        return passwordHash;
    }

    boolean demo() {
        return demo;
    }

    /** Whether the person is of the operator's office. */
    public boolean administrator() {
        return administrator;
    }

    /** The same account with an administrator's rights. */
    public Account asAdministrator() {
        administrator = true;
        return this;
    }

    /** Whether the person is of the operator's standards office. */
    public boolean standards() {
        return standards;
    }

    /** The same account with the rights of the standards office. */
    public Account asStandards() {
        standards = true;
        return this;
    }

    /** The person as the log knows them. */
    public Person person() {
        return new Person(id, fullName);
    }
}
