package demo

import (
	"context"
	"errors"
	"fmt"
	"strings"
	"time"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/orchard"
	"vertumna/store"
)

// AskHelper gives one tree of the terrace to a helper who has answered in part: the first whose slip has a few steps on that day. Links
// run by the clock of the machine.
func AskHelper(ctx context.Context, k *orchard.Keeper, today almanac.Day, now time.Time) error {
	for _, code := range []string{"C3", "A3", "B2"} {
		at := orchard.At{Slug: "lower-terrace", Tree: "lower-terrace-" + code, Day: today}
		link, err := k.AskHelper(ctx, orchard.SlipAt{At: at}, orchard.HelperAsk{Days: 14, Note: "The long saw hangs behind the shed door."}, now)
		var f given.Fault
		if errors.As(err, &f) || errors.Is(err, store.ErrNotFound) { // nothing to do at it on this day
			continue
		}
		if err != nil {
			return err
		}
		token := strings.TrimPrefix(link.Path, "/h/")
		for i, s := range link.Steps[:min(3, len(link.Steps))] {
			a := store.HelperAnswer{ID: fmt.Sprintf("demo-%s-%d", code, s.N), Step: s.N, Choice: "taken"}
			if i == 2 {
				a.Choice, a.Note = "could-not", "The hedge is in the way; from your side it would go."
			}
			if _, err := k.AnswerHelper(ctx, token, a, now); err != nil {
				return err
			}
		}
		return nil
	}
	return nil
}
