package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/year"
)

func TestOnlyWhatCostsNothingWhenLeftIsOptional(t *testing.T) {
	n := 0
	for _, k := range year.TaskKinds() {
		facts, _ := k.Facts()
		if k.Optional() {
			n++
			require.Zero(t, facts.Harm, k)
			require.False(t, facts.Cut, "%s: a cut that is booked is not called optional", k)
		}
	}
	require.Positive(t, n)
	require.False(t, year.StandBack.Optional(), "the look comes before every cut")
}
