package pomology

import (
	"testing"

	"github.com/stretchr/testify/require"
)

func TestATableStopsTheBuildOnAColumnNobodyReadsAndOnAMissingRow(t *testing.T) {
	kinds := map[string]*Kind{"apple": {}, "pear": {}}
	readA := func(r *row, _ *Kind) { r.num("a") }
	require.NoError(t, each("t", "slug,a\napple,1\npear,2\n", kinds, readA))
	require.ErrorContains(t, each("t", "slug,a,b\napple,1,2\npear,2,2\n", kinds, readA), `nobody reads the column "b"`)
	require.ErrorContains(t, each("t", "slug,a\napple,1\n", kinds, readA), "no row for pear")
	require.ErrorContains(t, each("t", "slug,b\napple,1\npear,2\n", kinds, readA), `no column "a"`)
	require.ErrorContains(t, each("t", "slug,a\napple,x\npear,2\n", kinds, readA), "a:")
}
