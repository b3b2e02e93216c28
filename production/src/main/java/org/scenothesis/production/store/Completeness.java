package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.lang.reflect.TypeVariable;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.words.Words;

/// Looks through a written document for values that are missing or null where there must be one, and for words that name no kind.
final class Completeness {
    /// What came later and has a meaning when it is absent.
    private static final Set<String> MAY_BE_ABSENT = Set.of("reading", "format");

    /// What the type variables around stand for.
    private final Map<TypeVariable<?>, Type> bound;

    private Completeness(Map<TypeVariable<?>, Type> bound) {
        this.bound = bound;
    }

    /// @throws IllegalArgumentException naming the first that is missing
    static void check(JsonNode document) {
        new Completeness(Map.of()).look(document, Production.class, "");
    }

    private void look(JsonNode node, Type written, String path) {
        Type type = written instanceof TypeVariable<?> v ? bound.getOrDefault(v, Object.class) : written;
        Class<?> raw = raw(type);
        if (raw.isRecord()) {
            object(node, path);
            Completeness inside = inside(raw, type);
            for (RecordComponent part : raw.getRecordComponents()) {
                inside.look(node, part, path.isEmpty() ? part.getName() : path + "." + part.getName());
            }
        } else if (FileKinds.name(raw) != null) {
            object(node, path);
            look(node, kind(node, raw, path), type, path);
        } else if (Collection.class.isAssignableFrom(raw) && type instanceof ParameterizedType p) {
            if (!node.isArray()) {
                throw new IllegalArgumentException(Words.of("completeness.is-not-what-it-should-be", path));
            }
            for (int i = 0; i < node.size(); i++) {
                look(node.get(i), p.getActualTypeArguments()[0], path + "[" + i + "]");
            }
        }
    }

    /// One of several kinds, whose type variables are those of what they are kinds of, in the same order.
    private void look(JsonNode node, Class<?> kind, Type type, String path) {
        Completeness inside = inside(kind, type);
        for (RecordComponent part : kind.getRecordComponents()) {
            inside.look(node, part, path + "." + part.getName());
        }
    }

    private static Class<?> kind(JsonNode node, Class<?> raw, String path) {
        String name = String.valueOf(FileKinds.name(raw));
        JsonNode word = node.get(name);
        if (word == null || !word.isTextual()) {
            throw new IllegalArgumentException(Words.of("completeness.is-missing-give-it-a-value", path, name));
        }
        return FileKinds.of(raw, word.asText())
                .orElseThrow(() -> new IllegalArgumentException(Words.of("completeness.is-no-word-it-knows", path, name, word.asText())));
    }

    private Completeness inside(Class<?> raw, Type type) {
        if (!(type instanceof ParameterizedType p)) {
            return this;
        }
        Map<TypeVariable<?>, Type> more = new HashMap<>();
        for (int i = 0; i < raw.getTypeParameters().length; i++) {
            Type argument = p.getActualTypeArguments()[i];
            more.put(raw.getTypeParameters()[i], argument instanceof TypeVariable<?> v ? bound.getOrDefault(v, Object.class) : argument);
        }
        return new Completeness(more);
    }

    private static Class<?> raw(Type type) {
        return type instanceof Class<?> c ? c : type instanceof ParameterizedType p && p.getRawType() instanceof Class<?> c ? c
                : Object.class;
    }

    private static void object(JsonNode node, String path) {
        if (!node.isObject()) {
            throw new IllegalArgumentException(Words.of("completeness.is-another-thing", path));
        }
    }

    private void look(JsonNode in, RecordComponent part, String path) {
        JsonNode value = in.get(part.getName());
        boolean absent = value == null || value.isNull();
        boolean may = part.getAnnotatedType().isAnnotationPresent(Nullable.class) || MAY_BE_ABSENT.contains(part.getName());
        if (absent && !may && !part.getType().isPrimitive() || value != null && value.isNull() && part.getType().isPrimitive()) {
            throw new IllegalArgumentException(Words.of("completeness.give-it-a-value", path, value == null ? " is missing" : " is null"));
        }
        if (!absent) {
            look(value, part.getGenericType(), path);
        }
    }
}
