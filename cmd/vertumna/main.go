// Command vertumna keeps a dense planting of fruit trees at reach: it serves the application from one file, with its
// data in another.
package main

import (
	"context"
	"fmt"
	"os"
	"os/signal"
	"syscall"

	"github.com/spf13/cobra"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := root().ExecuteContext(ctx); err != nil {
		fmt.Fprintln(os.Stderr, "vertumna: "+err.Error())
		os.Exit(1)
	}
}

func root() *cobra.Command {
	c := &cobra.Command{
		Use: "vertumna", Short: "Plan, prune and thin a small orchard held at reach",
		SilenceUsage: true, SilenceErrors: true,
	}
	c.AddCommand(demoCommand(), serveCommand(), exportCommand(), importCommand(), backupCommand(), planCommand(), slipCommand(), restoreCommand(), openapiCommand(), passphraseCommand(), stationCommand())
	return c
}
