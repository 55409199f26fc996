package org.skelda.app.procedure;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface StoredPacks extends Repository<StoredPack, String> {
    Optional<StoredPack> findById(String hash);

    boolean existsById(String hash);

    StoredPack save(StoredPack pack);
}
