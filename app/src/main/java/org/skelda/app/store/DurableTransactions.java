package org.skelda.app.store;

import jakarta.persistence.EntityManagerFactory;
import org.springframework.orm.jpa.JpaTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.DefaultTransactionStatus;

/** A transaction is over when what it wrote is on the disk. */
@Component("transactionManager")
class DurableTransactions extends JpaTransactionManager {
    private final transient GroupCommit commits;

    DurableTransactions(EntityManagerFactory entities, GroupCommit commits) {
        super(entities);
        this.commits = commits;
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        super.doCommit(status);
        if (!status.isReadOnly()) {
            commits.settle();
        }
    }
}
