package cut_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
)

func TestKeepingATreeIsSetAgainstANewOneInTheSameHours(t *testing.T) {
	rows := make([]cut.YearRow, 10)
	for k := range rows {
		rows[k].Minutes = 15
	}
	require.InDelta(t, 30, cut.KeepHours(rows, 3), 1e-9, "holding is part of a usual year")
	rows[0].Minutes = 135
	require.InDelta(t, 32, cut.KeepHours(rows, 3), 1e-9, "bringing it down is not")
	fresh := cut.NewTreeHours(10, 3, 6)
	require.Greater(t, fresh, 20.0)
	require.Less(t, fresh, 32.0, "a young tree asks less, planting apart")
}
