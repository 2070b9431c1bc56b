package cut_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
)

func TestTheShootsOfASlipAreWhatDoesNothingElse(t *testing.T) {
	solves := func(codes ...find.Code) (s cut.Step) {
		for _, c := range codes {
			s.Solves = append(s.Solves, find.Finding{Code: c})
		}
		return s
	}
	s := cut.Slip{
		Cuts: []cut.Step{solves("over_height", "long_shoot"), solves("long_shoot"), solves("long_shoot"), solves()},
		Groups: []cut.Group{
			{Steps: []int{0}, Minutes: 4, Takes: 0.1},
			{Steps: []int{1, 2}, Minutes: 3, Takes: 0.02},
			{Steps: []int{3}, Minutes: 1, Takes: 0.01},
		},
	}
	require.Equal(t, cut.Part{Cuts: 1, Minutes: 3, Share: 0.02}, s.Shoots(), "a cut that lowers too is the height's; a move of one's own is no shoot's")
	require.Zero(t, (&cut.Slip{}).Shoots())
}
