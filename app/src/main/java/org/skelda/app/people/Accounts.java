package org.skelda.app.people;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

/** The stored accounts. */
public interface Accounts extends Repository<Account, String> {
    Optional<Account> findById(String id);

    Optional<Account> findByAccountName(String accountName);

    List<Account> findByOperatorIdOrderByFullName(String operatorId);

    List<Account> findByDemoTrueOrderByFullName();

    Account save(Account account);
}
