package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Collection;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;

/// Looks through a written document for values that are missing or null where there must be one.
final class Completeness {
    /// What came later and has a meaning when it is absent.
    private static final Set<String> MAY_BE_ABSENT = Set.of("reading");

    private Completeness() {}

    /// @throws IllegalArgumentException naming the first that is missing
    static void check(JsonNode document) {
        look(document, Production.class, "");
    }

    private static void look(JsonNode node, Type type, String path) {
        if (type instanceof Class<?> c && c.isRecord()) {
            if (!node.isObject()) {
                throw new IllegalArgumentException(path + " is not what it should be: an object in braces");
            }
            for (RecordComponent part : c.getRecordComponents()) {
                look(node, part, path.isEmpty() ? part.getName() : path + "." + part.getName());
            }
        } else if (type instanceof ParameterizedType p && p.getRawType() instanceof Class<?> raw && Collection.class.isAssignableFrom(raw)) {
            if (!node.isArray()) {
                throw new IllegalArgumentException(path + " is not what it should be: a list in brackets");
            }
            for (int i = 0; i < node.size(); i++) {
                look(node.get(i), p.getActualTypeArguments()[0], path + "[" + i + "]");
            }
        }
    }

    private static void look(JsonNode in, RecordComponent part, String path) {
        JsonNode value = in.get(part.getName());
        boolean absent = value == null || value.isNull();
        boolean may = part.getAnnotatedType().isAnnotationPresent(Nullable.class) || MAY_BE_ABSENT.contains(part.getName());
        if (absent && !may && !part.getType().isPrimitive() || value != null && value.isNull() && part.getType().isPrimitive()) {
            throw new IllegalArgumentException(path + (value == null ? " is missing" : " is null") + "; give it a value");
        }
        if (!absent) {
            look(value, part.getGenericType(), path);
        }
    }
}
