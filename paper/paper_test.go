package paper_test

import (
	"bytes"
	"context"
	"log/slog"
	"regexp"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/internal/seeded"
	"vertumna/orchard"
	"vertumna/paper"
)

// printed is the demo on a day, ready to be printed.
type printed struct {
	keeper *orchard.Keeper
	day    almanac.Day
}

func open(t testing.TB) printed {
	day := almanac.DateOf(2027, 3, 10)
	return printed{orchard.NewKeeper(seeded.Store(t, day), func() almanac.Day { return day }, slog.New(slog.DiscardHandler)), day}
}

func (p printed) tree(t testing.TB, code string) paper.Tree {
	at := orchard.At{Slug: "lower-terrace", Tree: "lower-terrace-" + code, Day: p.day}
	b, err := p.keeper.Bench(context.Background(), at, orchard.Ahead{})
	require.NoError(t, err)
	s, err := p.keeper.Slip(context.Background(), orchard.SlipAt{At: at})
	require.NoError(t, err)
	return paper.Tree{Orchard: "Lower Terrace", Address: "https://orchard.local/lower-terrace/sheet/" + code, Bench: b, Slip: s}
}

var pages = regexp.MustCompile(`/Type /Page\b[^s]`)

func TestATreeIsOnePageTheSameBytesEachTime(t *testing.T) {
	p := open(t)
	for _, size := range []string{paper.A4, paper.Letter} {
		for _, code := range []string{"C3", "C2", "A3", "C1"} {
			tree := p.tree(t, code)
			first, err := paper.Slips(size, "metric", p.day, nil, []paper.Tree{tree})
			require.NoError(t, err)
			again, err := paper.Slips(size, "metric", p.day, nil, []paper.Tree{tree})
			require.NoError(t, err)
			require.True(t, bytes.Equal(first, again), "%s on %s", code, size)
			require.Len(t, pages.FindAll(first, -1), 1, "%s on %s", code, size)
			require.True(t, bytes.Contains(first, []byte("/FontFile2")), "fonts are in the file")
			require.False(t, bytes.Contains(first, []byte("/Subtype /Image")), "drawn, no picture")
		}
	}
}

// However many steps a slip has, and however large the tree, all of them are on paper.
func TestALongSlipGoesOnAndATallTreeFits(t *testing.T) {
	p := open(t)
	tree := p.tree(t, "C1")
	steps := tree.Slip.Steps
	for len(tree.Slip.Steps) < 80 {
		tree.Slip.Steps = append(tree.Slip.Steps, steps...)
	}
	for i := range tree.Bench.Limbs {
		for k := range tree.Bench.Limbs[i].Stations {
			if k%5 < 3 {
				tree.Bench.Limbs[i].Stations[k] *= 7
			}
		}
	}
	out, err := paper.Slips(paper.A4, "us", p.day, nil, []paper.Tree{tree})
	require.NoError(t, err)
	require.Greater(t, len(pages.FindAll(out, -1)), 1)
}

func TestTheWalkComesFirst(t *testing.T) {
	p := open(t)
	sheet, err := p.keeper.Sheet(context.Background(), "lower-terrace", p.day, 0)
	require.NoError(t, err)
	out, err := paper.Slips(paper.Letter, "us", p.day, &paper.Walk{Orchard: "Lower Terrace", Sheet: sheet}, []paper.Tree{p.tree(t, "C3"), p.tree(t, "A3")})
	require.NoError(t, err)
	require.GreaterOrEqual(t, len(pages.FindAll(out, -1)), 3)
}

func TestOnlyTheSizesThereAre(t *testing.T) {
	_, err := paper.Gauge("a5", "metric", almanac.DateOf(2027, 3, 10))
	var f given.Fault
	require.ErrorAs(t, err, &f)
	require.Equal(t, "size", f.Field)
	require.Equal(t, "a5", f.Given)
	for _, size := range []string{paper.A4, paper.Letter} {
		for _, units := range []string{"metric", "us"} {
			out, err := paper.Gauge(size, units, almanac.DateOf(2027, 3, 10))
			require.NoError(t, err)
			require.Len(t, pages.FindAll(out, -1), 1)
		}
	}
}

func BenchmarkOneTreeOnPaper(b *testing.B) {
	p := open(b)
	tree := p.tree(b, "C3")
	b.ReportAllocs()
	for b.Loop() {
		if _, err := paper.Slips(paper.A4, "metric", p.day, nil, []paper.Tree{tree}); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkTwelveTreesOnPaper(b *testing.B) {
	p := open(b)
	var trees []paper.Tree
	for len(trees) < 12 {
		trees = append(trees, p.tree(b, "C3"), p.tree(b, "C1"), p.tree(b, "A3"), p.tree(b, "C2"))
	}
	for b.Loop() {
		if _, err := paper.Slips(paper.A4, "metric", p.day, nil, trees); err != nil {
			b.Fatal(err)
		}
	}
}
