package org.skelda.cli;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command line: one subcommand a job. */
@Command(
        name = "skelda",
        mixinStandardHelpOptions = true,
        subcommands = {AnalyseCommand.class, VerifyCommand.class},
        description = "Works on Skelda's open files without a server.")
public final class SkeldaCli {
    private SkeldaCli() {}

    public static void main(String[] arguments) {
        System.exit(commandLine().execute(arguments));
    }

    static CommandLine commandLine() {
        return new CommandLine(new SkeldaCli());
    }
}
