package org.skelda.app.procedure;

import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import org.springframework.data.repository.query.Param;

interface StoredPacks extends Repository<StoredPack, String> {
    Optional<StoredPack> findById(String hash);

    /**
     * What a pack is, without its content.
     *
     * @param kind {@code type} or {@code procedures}
     * @param id the type's code, or the procedures' id
     * @param typeId the type's code either way
     * @param operatorId whose procedures they are; empty for a type
     */
    record Head(String hash, String kind, String id, String typeId, String operatorId) {}

    /** Empty when the pack is not kept, or was before it was kept whose it is. */
    @Query("select new org.skelda.app.procedure.StoredPacks$Head(p.hash, p.kind, p.documentId, p.typeId, p.operatorId) "
            + "from StoredPack p where p.hash = :hash and p.operatorId is not null")
    Optional<Head> head(@Param("hash") String hash);

    StoredPack save(StoredPack pack);
}
