package together_test

import (
	"errors"
	"sync/atomic"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/together"
)

func TestAllWorkIsDone(t *testing.T) {
	var sum atomic.Int64
	together.Do(10, func(k int) { sum.Add(int64(k)) })
	require.Equal(t, int64(45), sum.Load())
	wait := together.Ahead(func() { sum.Add(100) })
	wait()
	require.Equal(t, int64(145), sum.Load())
}

func TestAPanicAmongOthersIsTheCallersAndNamesItsPlace(t *testing.T) {
	var done atomic.Int64
	work := func() {
		together.Do(4, func(k int) {
			if k == 2 {
				panic("a limb without an end")
			}
			done.Add(1)
		})
	}
	err := together.Safely(func() error { work(); return nil })
	var broken *together.Broken
	require.ErrorAs(t, err, &broken)
	require.Equal(t, "a limb without an end", broken.Cause)
	require.Contains(t, broken.Stack, "together_test.go")
	require.Equal(t, int64(3), done.Load(), "the others end first")
	wait := together.Ahead(work)
	require.Panics(t, wait)
}

func TestAnErrorIsGivenAsItIs(t *testing.T) {
	plain := errors.New("too high")
	require.ErrorIs(t, together.Safely(func() error { return plain }), plain)
	require.NoError(t, together.Safely(func() error { return nil }))
}
