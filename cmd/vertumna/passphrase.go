package main

import (
	"bufio"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"

	"github.com/spf13/cobra"
	"golang.org/x/term"

	"vertumna/store"
)

// passphraseCommand sets a passphrase on the machine itself: the first, and one that was lost.
func passphraseCommand() *cobra.Command {
	db, role := "", string(store.Owner)
	c := &cobra.Command{
		Use: "passphrase --db FILE", Short: "Set the passphrase of the household, or a new one where it was lost", Args: cobra.NoArgs,
		Long: "Set the passphrase of the household. It is typed twice, or read from standard input where that is no terminal. Everybody signs in anew.",
		RunE: func(c *cobra.Command, _ []string) error {
			st, err := store.OpenExisting(c.Context(), db)
			if err != nil {
				return err
			}
			defer func() { _ = st.Close() }()
			given, err := readPassphrase(c.InOrStdin(), c.ErrOrStderr())
			if err != nil {
				return err
			}
			if err := st.SetPassphrase(c.Context(), store.Role(role), given); err != nil {
				return err
			}
			_, err = fmt.Fprintf(c.OutOrStdout(), "The %s's passphrase is set. Everybody signs in anew.\n", role)
			return err
		},
	}
	c.Flags().StringVar(&db, "db", "", "database file")
	c.Flags().StringVar(&role, "role", role, "whose: owner or helper")
	_ = c.MarkFlagRequired("db")
	return c
}

func readPassphrase(in io.Reader, tell io.Writer) (string, error) {
	f, ok := in.(*os.File)
	if !ok || !term.IsTerminal(int(f.Fd())) {
		line, err := bufio.NewReader(in).ReadString('\n')
		if err != nil && !errors.Is(err, io.EOF) {
			return "", err
		}
		return strings.TrimRight(line, "\r\n"), nil
	}
	ask := func(what string) (string, error) {
		_, _ = fmt.Fprint(tell, what)
		b, err := term.ReadPassword(int(f.Fd()))
		_, _ = fmt.Fprintln(tell)
		return string(b), err
	}
	first, err := ask("Passphrase: ")
	if err != nil {
		return "", err
	}
	second, err := ask("Once more: ")
	if err == nil && first != second {
		err = errors.New("the two are not the same; nothing was changed")
	}
	return first, err
}
