package words_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/words"
)

func TestATreeWithoutAMapGetsTheOrderOfTheWork(t *testing.T) {
	kind, err := pomology.BySlug("apple")
	require.NoError(t, err)
	tp := &year.TreePlan{Tree: &year.Tree{Kind: kind, Form: pomology.OpenVase, HeightM: 3.4}, ReachM: 2.1, Account: &year.Account{Left: 0.2, Limit: 0.2}}
	s := words.Speaker{}
	steps := s.Checklist(&year.Task{Kind: year.DormantCut}, tp)
	order := strings.Join(steps, "\n")
	last := -1
	for _, want := range []string{"Stand back", "1.30 m over your reach", "Sick, dead", "cross or rub", "into the middle", "short spurs", "Stop at 20 %"} {
		at := strings.Index(order, want)
		require.Greater(t, at, last, "%s: %s", want, order)
		last = at
	}
	tp.Tree.HeightM = 2
	require.NotContains(t, strings.Join(s.Checklist(&year.Task{Kind: year.DormantCut}, tp), " "), "over your reach")
	tp.Tree.Form = pomology.WireTiers
	require.Contains(t, strings.Join(s.Checklist(&year.Task{Kind: year.DormantCut}, tp), " "), "from the wires")
	tp.Account.Left = 0
	require.Contains(t, strings.Join(s.Checklist(&year.Task{Kind: year.HeightCut}, tp), " "), "limit for the year is reached")
	require.Empty(t, s.Checklist(&year.Task{Kind: year.Thin}, tp))
	us := strings.Join(words.Speaker{Units: words.US}.Checklist(&year.Task{Kind: year.HeightCut}, tp), " ")
	require.Contains(t, us, "ft")
}
