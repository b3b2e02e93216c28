package org.scenothesis.production.store;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.cfg.MapperConfig;
import com.fasterxml.jackson.databind.introspect.Annotated;
import com.fasterxml.jackson.databind.introspect.AnnotatedClass;
import com.fasterxml.jackson.databind.introspect.AnnotatedMember;
import com.fasterxml.jackson.databind.introspect.JacksonAnnotationIntrospector;
import com.fasterxml.jackson.databind.jsontype.NamedType;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.core.shot.step.Keyable;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Thing;
import org.scenothesis.core.value.Given;
import org.scenothesis.core.value.Kind;

/// How the alternatives of the document are told apart in its file: by a word, made from the record's name, under a name of the
/// alternative's own.
///
/// Only the permitted classes can come of it: `"step": "own-alpha"` is an `OwnAlpha` and nothing else.
final class FileKinds extends JacksonAnnotationIntrospector {
    private static final long serialVersionUID = 1;
    private static final Map<Class<?>, String> NAMES = Map.of(
            Step.class, "step", Source.class, "source", TimeMap.class, "time", Given.class, "origin", SoundSource.class, "heard",
            Evidence.class, "shown", Thing.class, "is", Surroundings.class, "place");

    /// The name under which the kind of an alternative stands; null for what has no kinds.
    static @Nullable String name(Class<?> alternative) {
        return NAMES.get(alternative);
    }

    /// The record that a word stands for.
    static Optional<Class<?>> of(Class<?> alternative, String word) {
        return Arrays.stream(alternative.getPermittedSubclasses()).filter(c -> Kind.word(c).equals(word)).<Class<?>>map(c -> c).findFirst();
    }

    /// Whether neither is of a kind that the other is not: what one kind has is nothing for another to keep.
    static boolean alike(JsonNode a, JsonNode b) {
        return NAMES.values().stream().noneMatch(n -> a.path(n).isTextual() && b.path(n).isTextual() && !a.get(n).equals(b.get(n)));
    }

    private static Optional<Class<?>> alternative(Class<?> c) {
        return NAMES.keySet().stream().filter(a -> a.isAssignableFrom(c)).findFirst();
    }

    @Override
    public JsonTypeInfo.@Nullable Value findPolymorphicTypeInfo(MapperConfig<?> config, Annotated of) {
        return alternative(of.getRawType())
                .map(a -> JsonTypeInfo.Value.construct(JsonTypeInfo.Id.NAME, JsonTypeInfo.As.PROPERTY, NAMES.get(a), null, false, true))
                .orElseGet(() -> super.findPolymorphicTypeInfo(config, of));
    }

    @Override
    public @Nullable List<NamedType> findSubtypes(Annotated of) {
        Class<?> raw = of.getRawType();
        return NAMES.containsKey(raw) ? Arrays.stream(raw.getPermittedSubclasses()).map(c -> new NamedType(c, Kind.word(c))).toList()
                : super.findSubtypes(of);
    }

    /// Most steps have no keys by code: that is not written.
    @Override
    public JsonInclude.Value findPropertyInclusion(Annotated of) {
        return of instanceof AnnotatedMember m && m.getName().equals("keyed") && Keyable.class.isAssignableFrom(m.getDeclaringClass())
                ? JsonInclude.Value.construct(JsonInclude.Include.NON_EMPTY, JsonInclude.Include.ALWAYS) : super.findPropertyInclusion(of);
    }

    @Override
    public @Nullable String findTypeName(AnnotatedClass of) {
        return of.getRawType().isRecord() && alternative(of.getRawType()).isPresent() ? Kind.word(of.getRawType()) : super.findTypeName(of);
    }
}
