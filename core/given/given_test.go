package given_test

import (
	"errors"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
)

type item struct {
	ID   string  `json:"id" in:"id"`
	Wide float64 `json:"wide" in:"(0,10]"`
}

type input struct {
	Name   string     `json:"name" in:"small|large = small"`
	Share  float64    `json:"share" in:"[0,1] = 0.5"`
	Count  int        `json:"count" in:"[1,9]"`
	May    *float64   `json:"may" in:"? [0,5]"`
	Wanted bool       `json:"wanted" in:"= true"`
	Items  []item     `json:"items" in:"list 1"`
	Years  []*float64 `json:"years" in:"?"`
	Hidden float64    `json:"-"`
}

func read(t *testing.T, text string) (input, given.Faults) {
	t.Helper()
	in, err := given.Read[input]([]byte(text))
	if err == nil {
		return in, nil
	}
	var fs given.Faults
	require.True(t, errors.As(err, &fs))
	return in, fs
}

func TestWhatIsAbsentOrNullTakesItsDefault(t *testing.T) {
	in, fs := read(t, `{"count": 3, "items": [{"id": "a", "wide": 2}], "may": null, "share": null, "years": [1, null], "foreign": {}}`)
	require.Empty(t, fs)
	require.Equal(t, "small", in.Name)
	require.Equal(t, 0.5, in.Share)
	require.True(t, in.Wanted)
	require.Nil(t, in.May)
	require.Nil(t, in.Years[1])
	require.InDelta(t, 1, *in.Years[0], 0)
}

func TestEveryFaultIsToldWithItsFieldAndNothingIsRead(t *testing.T) {
	for _, c := range []struct{ text, code, field string }{
		{`{"items": [{"id": "a", "wide": 2}]}`, given.Missing, "count"},
		{`{"count": 2.5, "items": [{"id": "a", "wide": 2}]}`, given.NotWhole, "count"},
		{`{"count": "two", "items": [{"id": "a", "wide": 2}]}`, given.NoNumber, "count"},
		{`{"count": 12, "items": [{"id": "a", "wide": 2}]}`, given.Range, "count"},
		{`{"count": 2, "items": []}`, given.Empty, "items"},
		{`{"count": 2}`, given.Missing, "items"},
		{`{"count": 2, "items": [{"id": "a", "wide": 0}]}`, given.Range, "items[0].wide"},
		{`{"count": 2, "items": [{"id": "a", "wide": 1}, {"id": "a", "wide": 1}]}`, given.Twice, "items[1].id"},
		{`{"count": 2, "items": [{"wide": 1}]}`, given.Missing, "items[0].id"},
		{`{"count": 2, "name": "huge", "items": [{"id": "a", "wide": 1}]}`, given.Word, "name"},
		{`{"count": 2, "may": 7, "items": [{"id": "a", "wide": 1}]}`, given.Range, "may"},
		{`{"count": 2, "wanted": "yes", "items": [{"id": "a", "wide": 1}]}`, given.Word, "wanted"},
		{`{"count": 2, "items": [{"id": "a", "wide": 1}], "years": ["x"]}`, given.NoNumber, "years[0]"},
	} {
		in, fs := read(t, c.text)
		require.Equal(t, input{}, in)
		require.Len(t, fs, 1, c.text)
		require.Equal(t, c.code, fs[0].Code, c.text)
		require.Equal(t, c.field, fs[0].Field, c.text)
		require.Contains(t, fs.Error(), " given, ")
		require.Contains(t, fs.Error(), " expected")
	}
	_, fs := read(t, `{"count": 20, "share": 2, "items": [{"id": "a", "wide": 99}]}`)
	require.Len(t, fs, 3, "all faults at once")
}

func TestNumbersThatAreNoneAreRefusedFromCodeToo(t *testing.T) {
	in := given.New[input]()
	in.Count, in.Items = 1, []item{{"a", 1}}
	require.Empty(t, given.Check(in))
	for _, x := range []float64{math.NaN(), math.Inf(1), math.Inf(-1)} {
		in.Share = x
		fs := given.Check(in)
		require.Len(t, fs, 1)
		require.Equal(t, given.NoNumber, fs[0].Code)
		require.Equal(t, "share", fs[0].Field)
	}
}
