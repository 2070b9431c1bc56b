package main

import (
	"context"
	"encoding/json"
	"fmt"
	"log/slog"
	"os"
	"strings"
	"time"

	"github.com/spf13/cobra"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/orchard"
	"vertumna/store"
	"vertumna/words"
)

// telling is what the commands that tell something of an orchard are asked.
type telling struct {
	slug, day string
	asJSON    bool
}

func (t *telling) flags(c *cobra.Command) *cobra.Command {
	c.Flags().StringVar(&t.slug, "orchard", "", "slug of the orchard (default: the only one in the file)")
	c.Flags().StringVar(&t.day, "day", "", "the day shown, YYYY-MM-DD (default: today)")
	c.Flags().BoolVar(&t.asJSON, "json", false, "as JSON, the same that the screens get")
	return c
}

// orchard is the keeper of a file for the day asked for, and the orchard asked for.
func (t *telling) orchard(ctx context.Context, s *store.Store) (k *orchard.Keeper, slug string, day almanac.Day, err error) {
	y, m, d := time.Now().Date()
	day = almanac.DateOf(y, int(m), d)
	if t.day != "" {
		if day, err = almanac.ParseDay(t.day); err != nil {
			return nil, "", day, fmt.Errorf("--day: %w", err)
		}
	}
	all, err := s.Orchards(ctx)
	if err != nil {
		return nil, "", day, err
	}
	var slugs []string
	for i := range all {
		slugs = append(slugs, all[i].Slug)
		if all[i].Slug == t.slug || t.slug == "" && len(all) == 1 {
			slug = all[i].Slug
		}
	}
	if slug == "" {
		return nil, "", day, fmt.Errorf("--orchard: %q given, one of %s expected", t.slug, strings.Join(slugs, ", "))
	}
	return orchard.NewKeeper(s, func() almanac.Day { return day }, slog.New(slog.DiscardHandler)), slug, day, nil
}

// tell writes an answer: as JSON, else in lines.
func (t *telling) tell(answer any, lines func(say func(format string, args ...any))) error {
	if t.asJSON {
		e := json.NewEncoder(os.Stdout)
		e.SetIndent("", " ")
		return e.Encode(answer)
	}
	var b strings.Builder
	lines(func(format string, args ...any) { fmt.Fprintf(&b, format+"\n", args...) })
	_, err := os.Stdout.WriteString(b.String())
	return err
}

func planCommand() *cobra.Command {
	t := &telling{}
	return t.flags(dbCommand("plan --db FILE", "Tell what to do about a day: the docket", cobra.NoArgs, store.OpenExisting, func(ctx context.Context, s *store.Store, _ []string) error {
		k, slug, day, err := t.orchard(ctx, s)
		if err != nil {
			return err
		}
		p, err := k.Plan(ctx, slug, day)
		if err != nil {
			return err
		}
		d := p.DocketBody(day)
		return t.tell(d, func(say func(string, ...any)) {
			say("%s, %s: %s of work open", p.Contents.Orchard.Name, day, d.MinutesSays)
			for _, g := range []struct {
				name  string
				tasks []orchard.TaskBody
			}{{"Do now", d.Now}, {"Closing soon", d.Closing}, {"Opening soon", d.Opening}, {"Waiting", d.Wait}, {"Missed", d.Missed}, {"Any time", d.Anytime}} {
				if len(g.tasks) > 0 {
					say("\n%s", g.name)
				}
				for i := range g.tasks {
					w := &g.tasks[i]
					say("  %-4s %s (%s to %s, %s)", w.Code, w.Title, w.Opens, w.Closes, w.MinutesSays)
					for _, why := range w.Reasons {
						say("         %s", why.Says)
					}
					for _, care := range w.Cautions {
						say("       ! %s", care)
					}
				}
			}
			say("\n%s", d.LocalRules)
		})
	}))
}

func slipCommand() *cobra.Command {
	t, season := &telling{}, ""
	c := t.flags(dbCommand("slip --db FILE TREE", "Tell which cuts to make on a tree, in order, under the limit", cobra.ExactArgs(1), store.OpenExisting, func(ctx context.Context, s *store.Store, args []string) error {
		if season != "" && season != string(limb.Dormant) && season != string(limb.Summer) {
			return fmt.Errorf("--season: %q given, %s or %s expected", season, limb.Dormant, limb.Summer)
		}
		k, slug, day, err := t.orchard(ctx, s)
		if err != nil {
			return err
		}
		tree, err := treeNamed(ctx, s, slug, args[0])
		if err != nil {
			return err
		}
		b, err := k.Slip(ctx, orchard.SlipAt{At: orchard.At{Slug: slug, Tree: tree.ID, Day: day}, Season: limb.Season(season)})
		if err != nil {
			return fmt.Errorf("%s: %w: a tree with a limb map expected", args[0], err)
		}
		return t.tell(b, func(say func(string, ...any)) {
			say("%s %s, %s: %s", tree.Code, tree.Name, day, b.Says)
			for _, says := range []string{b.Height.Says, b.Gauge.Says, b.NoLeafCut, b.Missed} {
				if says != "" {
					say("%s", says)
				}
			}
			for i := range b.Steps {
				st := &b.Steps[i]
				say("\n%d. %s", st.N, st.Title)
				for _, says := range append([]string{st.Where, st.How, st.Bud, st.Why, st.Cost}, st.Cautions...) {
					if says != "" {
						say("   %s", says)
					}
				}
			}
			if len(b.Carried) > 0 {
				say("\nWaits")
			}
			for _, c := range b.Carried {
				say("  %s %s: %s", c.Finding.Limb, c.Name, c.WhySays)
			}
			say("\nWith care")
			for _, care := range b.Safety {
				say("  %s", care)
			}
			say("%s", words.LocalRules)
		})
	}))
	c.Flags().StringVar(&season, "season", "", "dormant or summer (default: of the day)")
	return c
}

// treeNamed finds a tree of an orchard by its code or id.
func treeNamed(ctx context.Context, s *store.Store, slug, name string) (*store.Tree, error) {
	o, err := s.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	all, err := s.Trees(ctx, o.ID)
	if err != nil {
		return nil, err
	}
	var codes []string
	for i := range all {
		if strings.EqualFold(all[i].Code, name) || all[i].ID == name {
			return &all[i], nil
		}
		codes = append(codes, all[i].Code)
	}
	return nil, fmt.Errorf("tree: %q given, one of %s expected", name, strings.Join(codes, ", "))
}
