package words_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/training"
	"vertumna/words"
)

func TestARotaNamesItsWintersAndOnlyAFewThatMustWait(t *testing.T) {
	in := training.Renewal{}
	for _, id := range []string{"S1.1", "S1.2", "S1.3", "S1.4", "S1.5"} {
		in.Units = append(in.Units, training.Unit{ID: id, AgeYears: 3, Waits: true})
	}
	rota := [][]string{{"S1.6"}, nil, {"S1.7", "S1.8"}}
	require.Equal(t, "Rota of S1: this winter S1.6; the one after S1.7 and S1.8; let a shoot grow near the base of S1.1, S1.2, S1.3 and 2 more first.",
		words.Speaker{}.Renewal("S1", in, rota, false))
	require.Contains(t, words.Speaker{}.Renewal("S1", in, rota, true), "the coming winter S1.6")
	require.Empty(t, words.Speaker{}.Renewal("S1", training.Renewal{}, nil, false))
}
