package org.skelda.app.need;

import dev.cel.checker.CelStandardDeclarations;
import dev.cel.checker.CelStandardDeclarations.StandardFunction;
import dev.cel.checker.CelStandardDeclarations.StandardOverload;
import dev.cel.common.CelAbstractSyntaxTree;
import dev.cel.common.CelIssue;
import dev.cel.common.CelMutableAst;
import dev.cel.common.CelOptions;
import dev.cel.common.CelValidationException;
import dev.cel.common.ast.CelConstant;
import dev.cel.common.ast.CelExpr;
import dev.cel.common.ast.CelMutableExpr;
import dev.cel.common.ast.CelReference;
import dev.cel.common.navigation.CelNavigableMutableAst;
import dev.cel.common.types.CelKind;
import dev.cel.common.types.CelType;
import dev.cel.common.types.SimpleType;
import dev.cel.compiler.CelCompiler;
import dev.cel.compiler.CelCompilerBuilder;
import dev.cel.compiler.CelCompilerFactory;
import dev.cel.parser.CelMacro;
import dev.cel.runtime.CelEvaluationException;
import dev.cel.runtime.CelRuntime;
import dev.cel.runtime.CelRuntimeFactory;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.skelda.core.need.Conditions;
import org.skelda.core.need.InvalidCondition;
import org.skelda.core.need.Kind;
import org.skelda.core.need.When;
import org.springframework.stereotype.Component;

/**
 * Conditions in the Common Expression Language, over declared names only. There is one kind of number: a whole number
 * in a condition is the same as one with a fraction. {@code reading('flow/line')}, {@code choice('list/line')},
 * {@code option('id')} and {@code modification('id')} are names like any other, so that what they stand for is checked
 * when a condition is understood; so are {@code state('id')} in a test of warnings, and {@code done('list/line')} and
 * {@code running('1')} where a state is told.
 */
@Component
public final class CelConditions implements Conditions {
    private static final int LONGEST = 400;
    private static final int DEEPEST = 24;
    /** Kinds of values in conditions: those of names, lists of them, and whatever both sides have in common. */
    private static final Set<CelKind> OF_NAMES =
            EnumSet.of(CelKind.DOUBLE, CelKind.BOOL, CelKind.STRING, CelKind.LIST, CelKind.TYPE_PARAM, CelKind.DYN);
    /** They turn a value into one of a kind that no name has. */
    private static final Set<StandardFunction> WITHOUT = EnumSet.of(
            StandardFunction.TYPE,
            StandardFunction.INT,
            StandardFunction.UINT,
            StandardFunction.DOUBLE,
            StandardFunction.STRING,
            StandardFunction.BYTES,
            StandardFunction.DYN,
            StandardFunction.DURATION,
            StandardFunction.TIMESTAMP,
            StandardFunction.BOOL,
            StandardFunction.SIZE,
            StandardFunction.INDEX);

    private static final Pattern UNDECLARED = Pattern.compile("undeclared reference to '(.*)' \\(in");
    private static final Pattern NOT_YES_NO = Pattern.compile("expected type 'bool' but found '(.*)'");
    private static final Pattern NO_OVERLOAD =
            Pattern.compile("found no matching overload for '(.*)' applied to '(.*?)' ?(\\(cand.*)?");

    private final Map<Map<String, Kind>, CelCompiler> compilers = new ConcurrentHashMap<>();

    /** Made with the first condition that is understood. */
    private static final class Running {
        static final CelRuntime RUNTIME = CelRuntimeFactory.standardCelRuntimeBuilder()
                .setOptions(Written.OPTIONS)
                .build();
    }

    /** The same. */
    private static final class Written {
        static final CelOptions OPTIONS = CelOptions.current()
                .enableHeterogeneousNumericComparisons(true)
                .maxExpressionCodePointSize(LONGEST)
                .maxParseRecursionDepth(DEEPEST)
                .build();

        /** With them every condition is checked: what no name here can be is left out, for it is all gone through. */
        static final CelStandardDeclarations FUNCTIONS = CelStandardDeclarations.newBuilder()
                .filterFunctions(Written::isForNames)
                .build();

        private static boolean isForNames(StandardFunction function, StandardOverload overload) {
            return !WITHOUT.contains(function)
                    && overload.celOverloadDecl().parameterTypes().stream().allMatch(Written::isOfNames);
        }

        private static boolean isOfNames(CelType type) {
            return OF_NAMES.contains(type.kind());
        }
    }

    /** Understood when it is asked for the first time: until then a server that starts need not know the language. */
    @Override
    public When compile(String text, Map<String, Kind> declared) {
        return new LateCondition(text, () -> understand(text, Map.copyOf(declared)));
    }

    private CelCondition understand(String text, Map<String, Kind> declared) {
        CelCompiler compiler = compilers.computeIfAbsent(declared, CelConditions::compiler);
        try {
            CelMutableAst parsed = CelMutableAst.fromCelAst(compiler.parse(text).getAst());
            Set<Double> numbers = oneKindOfNumber(parsed);
            CelAbstractSyntaxTree ast = compiler.check(parsed.toParsedAst()).getAst();
            Set<String> names = ast.getReferenceMap().values().stream()
                    .map(CelReference::name)
                    .filter(name -> !name.isEmpty())
                    .collect(Collectors.toCollection(TreeSet::new));
            return new CelCondition(text, names, numbers, Running.RUNTIME.createProgram(ast));
        } catch (CelValidationException e) {
            throw new InvalidCondition("'" + text + "': " + sentence(e, declared.keySet()));
        } catch (CelEvaluationException e) {
            throw new InvalidCondition("'" + text + "' cannot be worked out: " + e.getMessage());
        }
    }

    private static CelCompiler compiler(Map<String, Kind> declared) {
        CelCompilerBuilder builder = CelCompilerFactory.standardCelCompilerBuilder()
                .setOptions(Written.OPTIONS)
                .setStandardEnvironmentEnabled(false)
                .setStandardDeclarations(Written.FUNCTIONS)
                .addMacros(
                        name("reading"),
                        name("choice"),
                        name("option"),
                        name("modification"),
                        name("state"),
                        name("done"),
                        name("running"))
                .setResultType(SimpleType.BOOL);
        declared.forEach((name, kind) -> builder.addVar(
                name,
                switch (kind) {
                    case NUMBER -> SimpleType.DOUBLE;
                    case YES_NO -> SimpleType.BOOL;
                    case WORD -> SimpleType.STRING;
                }));
        return builder.build();
    }

    /** Makes a call with one fixed text a name of its own. */
    private static CelMacro name(String function) {
        return CelMacro.newGlobalMacro(function, 1, (factory, _, arguments) -> {
            CelExpr argument = arguments.getFirst();
            return argument.exprKind().getKind() == CelExpr.ExprKind.Kind.CONSTANT
                            && argument.constant().getKind() == CelConstant.Kind.STRING_VALUE
                    ? Optional.of(factory.newIdentifier(
                            function + "('" + argument.constant().stringValue() + "')"))
                    : Optional.empty();
        });
    }

    private static Set<Double> oneKindOfNumber(CelMutableAst parsed) {
        List<CelMutableExpr> constants = CelNavigableMutableAst.fromAst(parsed)
                .getRoot()
                .allNodes()
                .map(node -> node.expr())
                .filter(expr -> expr.getKind() == CelExpr.ExprKind.Kind.CONSTANT)
                .toList();
        Set<Double> numbers = new TreeSet<>();
        for (CelMutableExpr expr : constants) {
            CelConstant constant = expr.constant();
            if (constant.getKind() == CelConstant.Kind.INT64_VALUE) {
                expr.setConstant(CelConstant.ofValue((double) constant.int64Value()));
            }
            if (expr.constant().getKind() == CelConstant.Kind.DOUBLE_VALUE) {
                numbers.add(expr.constant().doubleValue());
            }
        }
        return numbers;
    }

    private static String sentence(CelValidationException e, Set<String> declared) {
        CelIssue issue = e.getErrors().getFirst();
        String message = issue.getMessage().lines().findFirst().orElse("");
        Matcher undeclared = UNDECLARED.matcher(message);
        if (undeclared.find()) {
            return "'" + undeclared.group(1) + "' is nothing that a condition may name here; known are "
                    + declared.stream().sorted().collect(Collectors.joining(", "));
        }
        Matcher notYesNo = NOT_YES_NO.matcher(message);
        if (notYesNo.find()) {
            return "it says a " + notYesNo.group(1).replace("double", "number") + ", not yes or no";
        }
        Matcher overload = NO_OVERLOAD.matcher(message);
        if (overload.find()) {
            return "'" + overload.group(1).replace("_", "") + "' does not go with "
                    + overload.group(2).replace("double", "number").replace("bool", "yes or no");
        }
        return "not readable at character " + (issue.getSourceLocation().getColumn() + 1) + ": " + message;
    }
}
