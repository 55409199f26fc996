package org.skelda.app.procedure;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.jspecify.annotations.Nullable;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.clock.ServerClock;
import org.skelda.core.need.Conditions;
import org.skelda.core.need.Known;
import org.skelda.core.procedure.Plan;
import org.skelda.core.record.Opening;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.procedure.InvalidPack;
import org.skelda.formats.procedure.PackReader;
import org.skelda.formats.record.Sha256;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Reads the packs at start, keeps every version by its hash, and makes plans of them. A bad pack stops the start. */
@Service
public class Packs {
    private static final int PLANS_KEPT = 64;
    private static final long READS_AHEAD_AFTER_MS = 20_000;
    private static final long READS_AHEAD_EVERY_MS = 5000;

    private final StoredPacks stored;
    private final Map<Whose, Current> current = new HashMap<>();
    private final Queue<Whose> unread = new ConcurrentLinkedQueue<>();
    private final Cache<PlanKey, Plan> plans =
            Caffeine.newBuilder().maximumSize(PLANS_KEPT).build();

    /**
     * The newest pair of documents of an operator for a type. @param typeHash of the type document; @param
     * procedureHash of the procedures
     */
    public record Current(String typeHash, String procedureHash) {}

    private final Cache<String, Optional<StartProfile>> profiles =
            Caffeine.newBuilder().maximumSize(PLANS_KEPT).build();

    private final Conditions language;
    private final boolean fromOutside;

    /** An operator's procedures for a type. */
    private record Whose(String operatorId, String typeId) {}

    private record PlanKey(String typeHash, String procedureHash, List<String> modifications) {}

    /** @param read the document, where it was read; one that is known is not read again */
    private record Loaded(String file, byte[] bytes, StoredPacks.Head head, PackReader.@Nullable Document read) {
        PackReader.Document document() {
            return read == null ? PackReader.check(file, bytes) : read;
        }
    }

    Packs(StoredPacks stored, SkeldaProperties properties, ServerClock clock, Conditions language) {
        this.stored = stored;
        this.language = language;
        this.fromOutside = properties.packs() != null;
        load(properties, clock.instant());
    }

    private void load(SkeldaProperties properties, Instant now) {
        List<Loaded> loaded = new ArrayList<>();
        List<InvalidPack> wrong = new ArrayList<>();
        for (Resource resource : resources(properties)) {
            try {
                loaded.add(loaded(name(resource), resource.getContentAsByteArray()));
            } catch (InvalidPack e) {
                wrong.add(e);
            } catch (IOException e) {
                throw new UnreadablePacks(name(resource), e);
            }
        }
        if (wrong.isEmpty()) {
            pair(loaded, wrong);
        }
        if (!wrong.isEmpty()) {
            throw new InvalidPacks(wrong);
        }
        loaded.stream()
                .filter(pack ->
                        pack.read() != null && stored.head(pack.head().hash()).isEmpty())
                .forEach(pack -> stored.save(new StoredPack(pack.document(), now, pack.bytes())));
        unread.addAll(current.keySet());
    }

    /** A shipped pack that is known was read when it was first kept; one of a folder is read at every start. */
    private Loaded loaded(String file, byte[] bytes) {
        Optional<StoredPacks.Head> known = fromOutside ? Optional.empty() : stored.head(Sha256.hex(bytes));
        if (known.isPresent()) {
            return new Loaded(file, bytes, known.get(), null);
        }
        PackReader.Document document = PackReader.check(file, bytes);
        return new Loaded(
                file,
                bytes,
                new StoredPacks.Head(
                        document.hash(), document.kind(), document.id(), document.typeId(), document.operator()),
                document);
    }

    private void pair(List<Loaded> loaded, List<InvalidPack> wrong) {
        for (Loaded procedures : loaded.stream()
                .filter(pack -> pack.head().kind().equals("procedures"))
                .toList()) {
            loaded.stream()
                    .filter(pack -> pack.head().kind().equals("type"))
                    .filter(type -> type.head().id().equals(procedures.head().typeId()))
                    .findFirst()
                    .ifPresentOrElse(
                            type -> pair(type, procedures, wrong),
                            () -> wrong.add(new InvalidPack(
                                    procedures.file(),
                                    List.of(new InvalidPack.Finding(
                                            "/type",
                                            0,
                                            "there is no type document for "
                                                    + procedures.head().typeId())))));
        }
    }

    private void pair(Loaded type, Loaded procedures, List<InvalidPack> wrong) {
        try {
            if (type.read() != null || procedures.read() != null) {
                // Shipped packs are examined when they are built; those of a folder come from outside.
                Plan plan = fromOutside
                        ? PackReader.examine(type.document(), procedures.document(), language)
                        : PackReader.plan(type.document(), procedures.document(), List.of(), language);
                plans.put(new PlanKey(type.head().hash(), procedures.head().hash(), List.of()), plan);
            }
            current.put(
                    new Whose(procedures.head().operatorId(), type.head().id()),
                    new Current(type.head().hash(), procedures.head().hash()));
        } catch (InvalidPack e) {
            wrong.add(e);
        }
    }

    private static List<Resource> resources(SkeldaProperties properties) {
        Path folder = properties.packs();
        String root = folder == null ? "classpath*:/packs" : "file:" + folder.toAbsolutePath();
        if (folder != null && !Files.isDirectory(folder)) {
            throw new UnreadablePacks(folder.toString(), new IOException("there is no such folder"));
        }
        try {
            PathMatchingResourcePatternResolver resolver = new PathMatchingResourcePatternResolver();
            List<Resource> found = new ArrayList<>(List.of(resolver.getResources(root + "/types/*.yaml")));
            found.addAll(List.of(resolver.getResources(root + "/procedures/**/*.yaml")));
            if (found.isEmpty()) {
                throw new UnreadablePacks(root, new IOException("it holds no packs"));
            }
            return found;
        } catch (IOException e) {
            throw new UnreadablePacks(root, e);
        }
    }

    private static String name(Resource resource) {
        String description = resource.getDescription().replaceAll("^file \\[|\\]$", "");
        int packs = description.lastIndexOf("packs/");
        return packs >= 0 ? description.substring(packs).replaceAll("[\\]']+$", "") : description;
    }

    /**
     * The plans that nobody has asked for yet are read one after the other while the server has time, their conditions
     * with them, so that the first crew need not wait for it.
     */
    @Scheduled(initialDelay = READS_AHEAD_AFTER_MS, fixedDelay = READS_AHEAD_EVERY_MS)
    void readAhead() {
        Whose next = unread.poll();
        if (next != null) {
            Plan plan = planFor(next.operatorId(), next.typeId());
            Thread.ofPlatform()
                    .daemon()
                    .name("conditions")
                    .start(() -> plan.conditions()
                            .values()
                            .forEach(conditions -> conditions.forEach(condition -> condition.need(Known.NOTHING))));
        }
    }

    /** Whether an operator has procedures for a type, so that a departure can be opened for it. */
    public boolean hasProcedures(String operatorId, String typeId) {
        return current.containsKey(new Whose(operatorId, typeId));
    }

    /** @throws IllegalArgumentException when no pair of documents is loaded for the operator and the type */
    public Current currentFor(String operatorId, String typeId) {
        Current pair = current.get(new Whose(operatorId, typeId));
        if (pair == null) {
            throw new IllegalArgumentException("there are no packs of " + operatorId + " for " + typeId);
        }
        return pair;
    }

    /** An operator's newest plan for a type, without a tail's modifications. */
    public Plan planFor(String operatorId, String typeId) {
        Current pair = currentFor(operatorId, typeId);
        return plan(new PlanKey(pair.typeHash(), pair.procedureHash(), List.of()), typeId);
    }

    /** The plan a departure was opened with, whatever has become of the packs since. */
    public Plan planOf(Opening opening) {
        return plan(
                new PlanKey(opening.typeHash(), opening.procedureHash(), opening.modifications()), opening.typeId());
    }

    private Plan plan(PlanKey wanted, String typeId) {
        return plans.get(
                wanted,
                key -> PackReader.plan(
                        "type " + typeId,
                        bytes(key.typeHash()),
                        "procedures for " + typeId,
                        bytes(key.procedureHash()),
                        key.modifications(),
                        language));
    }

    /** The start profile a departure was opened with; empty when its type has none. */
    public Optional<StartProfile> profileOf(Opening opening) {
        return profiles.get(
                opening.typeHash(),
                hash -> PackReader.check("type " + opening.typeId(), bytes(hash))
                        .startProfile());
    }

    private byte[] bytes(String hash) {
        return stored.findById(hash)
                .map(StoredPack::bytes)
                .orElseThrow(() -> new IllegalStateException("pack " + hash + " is not in the store"));
    }

    /** Packs that cannot be read from where they should lie. */
    static final class UnreadablePacks extends RuntimeException {
        UnreadablePacks(String where, IOException cause) {
            super(where + ": " + cause.getMessage(), cause);
        }
    }

    /** Packs with errors; the message holds all of them, each with file, line and path. */
    static final class InvalidPacks extends RuntimeException {
        InvalidPacks(List<InvalidPack> packs) {
            super(String.join("\n", packs.stream().map(InvalidPack::getMessage).toList()));
        }
    }
}
