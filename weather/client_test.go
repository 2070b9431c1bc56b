package weather_test

import (
	"errors"
	"net/http"
	"net/http/httptest"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/station"
	"vertumna/weather"
)

var (
	today = almanac.DateOf(2027, 7, 5)
	place = weather.Place{Lat: 47.2, Lon: 11.4, ElevM: 580}
	quick = weather.Settings{Timeout: 300 * time.Millisecond, Pause: time.Millisecond, Tries: 2, Rest: time.Hour}
)

// both are a station and a client of it, and a way to make the station play a fault.
func both(t *testing.T) (*weather.Client, func(fault string)) {
	srv := httptest.NewServer(station.Handler(func() almanac.Day { return today }, 2*time.Second, nil))
	t.Cleanup(srv.Close)
	c, err := weather.New(srv.URL, quick)
	require.NoError(t, err)
	return c, func(fault string) {
		r, err := http.NewRequest(http.MethodPut, srv.URL+"/v1/fault/"+fault, nil)
		require.NoError(t, err)
		res, err := http.DefaultClient.Do(r)
		require.NoError(t, err)
		require.Equal(t, http.StatusNoContent, res.StatusCode)
		require.NoError(t, res.Body.Close())
	}
}

func TestDaysAndForecastAreThoseOfThePlace(t *testing.T) {
	c, _ := both(t)
	days, err := c.Days(t.Context(), place, today-40, today+5)
	require.NoError(t, err)
	require.Len(t, days, 41, "a station knows no day to come")
	require.Equal(t, today, days[40].Date)
	again, err := c.Days(t.Context(), place, today-40, today)
	require.NoError(t, err)
	require.Equal(t, days, again)
	next, err := c.Forecast(t.Context(), place, today)
	require.NoError(t, err)
	require.Len(t, next, almanac.ForecastLeads+1)
	require.InDelta(t, days[40].Tmax, next[0].Tmax, 1e-9, "today is known")
}

// Whatever a station says or does, it is believed only where it can be weather of the place, and each refusal says what is wrong.
func TestAStationIsAStranger(t *testing.T) {
	for fault, says := range map[string]string{
		"slow": "does not answer", "down": "answers 503", "html": "text/html, not with weather", "garbage": "cannot be read", "wrong-place": "weather of another place",
		"zeros": "nothing but zeros", "fahrenheit": "", "swapped": "tmax",
	} {
		t.Run(fault, func(t *testing.T) {
			c, play := both(t)
			play(fault)
			_, err := c.Days(t.Context(), place, today-40, today)
			require.ErrorContains(t, err, says)
			play("none")
			days, err := c.Days(t.Context(), place, today-40, today)
			require.NoError(t, err, "it is believed again once it is right")
			require.NotEmpty(t, days)
		})
	}
}

func TestMissingDaysAreLeftOutOfThePastAndRefusedInAForecast(t *testing.T) {
	c, play := both(t)
	play("gaps")
	days, err := c.Days(t.Context(), place, today-40, today)
	require.NoError(t, err)
	require.Less(t, len(days), 41)
	_, err = c.Forecast(t.Context(), place, today)
	var f given.Fault
	require.ErrorAs(t, err, &f)
	require.Equal(t, "days", f.Field)
}

// A station that keeps failing is left alone, and not hammered.
func TestAFailingStationIsLeftAlone(t *testing.T) {
	asked := 0
	srv := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		asked++
		w.WriteHeader(http.StatusBadGateway)
	}))
	defer srv.Close()
	c, err := weather.New(srv.URL, quick)
	require.NoError(t, err)
	var last error
	for range 20 {
		_, last = c.Forecast(t.Context(), place, today)
		require.Error(t, last)
	}
	require.Less(t, asked, 12)
	require.ErrorContains(t, last, "left alone for a while")
}

func TestWhatIsNoAddressIsRefused(t *testing.T) {
	for _, base := range []string{"", "station", "ftp://x", "http://"} {
		_, err := weather.New(base, quick)
		var f given.Fault
		require.True(t, errors.As(err, &f), base)
		require.Equal(t, "station", f.Field)
	}
}
