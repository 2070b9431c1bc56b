package limb_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/limb"
)

func TestAnEarlierMapLosesWhatHasComeOffSince(t *testing.T) {
	doc := func(ids ...[2]string) limb.Doc {
		d := limb.Doc{Species: "apple"}
		for _, x := range ids {
			d.Limbs = append(d.Limbs, limb.Limb{ID: x[0], Parent: x[1]})
		}
		return d
	}
	before := doc([2]string{"S1.2", "S1"}, [2]string{"T", ""}, [2]string{"S1", "T"}, [2]string{"S2", "T"}, [2]string{"S2.1", "S2"})
	// S1 went; its side limb is still named on the later map by mistake, and goes with it; S3 grew since
	now := doc([2]string{"T", ""}, [2]string{"S1.2", "T"}, [2]string{"S2", "T"}, [2]string{"S2.1", "S2"}, [2]string{"S3", "T"})
	var left []string
	for _, l := range limb.Standing(before, now).Limbs {
		left = append(left, l.ID)
	}
	require.Equal(t, []string{"T", "S2", "S2.1"}, left)
	require.Len(t, before.Limbs, 5, "the earlier map is not changed")
	require.Len(t, limb.Standing(before, before).Limbs, 5)
}
