package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// decided is a tree with limbs that a person decided about until a day.
func decided(t *testing.T, limbs ...year.LimbDate) *scene {
	t.Helper()
	return at(t, "lower-terrace", tree(t, "apple", func(x *year.Tree) { x.Decided = limbs }))
}

func TestALimbDecidedUntilADayIsAJobOnThatDayForThreeWeeks(t *testing.T) {
	due := day("2027-06-10")
	job := one(t, decided(t, year.LimbDate{Limb: "S2", State: "temporary", Due: due, Reason: "until S3 fills its place"}).on("2027-02-20"), year.LimbDue)
	require.Equal(t, due, job.Window.Opens.Day)
	require.Equal(t, due, job.Window.Opens.Early, "a day a person named has no span")
	require.Equal(t, due+21, job.Window.Closes.Day)
	require.Equal(t, []string{"limb-due", "limb-due-why"}, rules(job.Reasons)[:2])
	require.Equal(t, "S2", job.Reasons[0].Text)
	require.Equal(t, "until S3 fills its place", job.Reasons[1].Text)
	require.Len(t, find(decided(t, year.LimbDate{Limb: "S2", State: "temporary", Due: due}).on("2027-02-20"), year.LimbDue), 1, "a reason need not be given")
}

func TestADecidedLimbIsOfTheYearItsDayLiesIn(t *testing.T) {
	first, last := year.Rail(2027, false)
	for due, told := range map[almanac.Day]int{first - 1: 0, first: 1, last: 1, last + 1: 0} {
		s := decided(t, year.LimbDate{Limb: "S1", State: "undecided", Due: due})
		require.Len(t, find(s.on("2027-02-20"), year.LimbDue), told, "%s", due)
	}
	require.Empty(t, find(decided(t, year.LimbDate{Limb: "S1", State: "undecided", Due: almanac.NoDay}).on("2027-02-20"), year.LimbDue), "without a day there is no job")
}

func TestEachDecidedLimbIsAJobOfItsOwnThatKeepsItsName(t *testing.T) {
	due := day("2027-07-01")
	limbs := []year.LimbDate{{Limb: "S1", State: "undecided", Due: due}, {Limb: "S2", State: "temporary", Due: due}, {Limb: "S3", State: "one-season", Due: due + 20}}
	ids := map[string]string{}
	for _, x := range find(decided(t, limbs...).on("2027-02-20"), year.LimbDue) {
		require.NotContains(t, ids, x.ID)
		ids[x.ID] = x.Reasons[0].Text
	}
	require.Len(t, ids, 3)
	for _, x := range find(decided(t, limbs[2], limbs[0]).on("2027-05-05"), year.LimbDue) {
		require.Equal(t, ids[x.ID], x.Reasons[0].Text, "the same name on another day, in another order")
	}
}

func TestALookAtADecidedLimbThatWasLoggedIsDoneWhateverBecomesOfTheOthers(t *testing.T) {
	first, second := year.LimbDate{Limb: "S1", State: "undecided", Due: day("2027-06-01")}, year.LimbDate{Limb: "S2", State: "left-to-bend", Due: day("2027-06-10")}
	state := func(logged string, limbs ...year.LimbDate) year.State {
		s := decided(t, limbs...).with(work("2027-06-12", year.LimbDue, func(e *year.Entry) { e.TaskID, e.Outcome = logged, year.Done }))
		for _, x := range find(s.on("2027-06-13"), year.LimbDue) {
			if x.Reasons[0].Text == "S2" {
				return x.State
			}
		}
		return ""
	}
	var id string
	for _, x := range find(decided(t, first, second).on("2027-06-12"), year.LimbDue) {
		if x.Reasons[0].Text == "S2" {
			id = x.ID
		}
	}
	require.Equal(t, "done", string(state(id, first, second)))
	require.Equal(t, "done", string(state(id, second)), "the other limb was decided")
	later := second
	later.Due += 30
	require.NotEqual(t, "done", string(state(id, first, later)), "put off, it is due again")
}

func TestWhatStandsOutsideIsAReasonToLookUnlessTheTreeResistsIt(t *testing.T) {
	look := func(hosts, resists []string) []string {
		s := at(t, "lower-terrace", tree(t, "pear", func(x *year.Tree) { x.Resists = resists }))
		s.yard.Hosts = hosts
		return rules(one(t, s.on("2027-06-20"), year.HealthLook).Reasons)
	}
	require.NotContains(t, look(nil, nil), "host-outside")
	var hosts []string
	for _, h := range pomology.Hosts() {
		hosts = append(hosts, h.Slug)
	}
	near := look(hosts, nil)
	require.Contains(t, near, "host-outside")
	require.Contains(t, near, "leaves-tell", "beside why it is looked at all")
	var all []string
	for _, x := range pomology.Sicknesses() {
		all = append(all, x.Slug)
	}
	require.NotContains(t, look(hosts, all), "host-outside")
}

func TestEveryStateOfALimbThatIsDatedCanBecomeAJob(t *testing.T) {
	for _, k := range limb.StateKinds() {
		s := decided(t, year.LimbDate{Limb: "S1", State: k.Kind, Due: day("2027-06-10")})
		require.Equal(t, k.Kind, one(t, s.on("2027-02-20"), year.LimbDue).Reasons[0].Value, k.Kind)
	}
}

// A frost night that is remembered later names no other night's count anew, and a night told twice is one morning's work.
func TestACountOfFrostedBudsIsNamedByItsNight(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	bloom := s.on("2027-02-20").Anchors.Day("full_bloom")
	frost := func(on almanac.Day, c float64) year.Entry {
		return year.Entry{Date: on, Kind: year.FrostEntry, Tmin: c}
	}
	first := one(t, at(t, "lower-terrace", tree(t, "apple")).with(frost(bloom+3, -4)).on((bloom + 5).String()), year.FrostCount)
	done := work((bloom + 4).String(), year.FrostCount, func(e *year.Entry) { e.TaskID, e.Outcome, e.Opened, e.Alive = first.ID, year.Done, 20, 8 })
	both := find(at(t, "lower-terrace", tree(t, "apple")).with(frost(bloom, -4), frost(bloom+3, -4), done).on((bloom + 5).String()), year.FrostCount)
	require.Len(t, both, 2)
	for _, x := range both {
		require.Equal(t, x.ID == first.ID, x.State == "done", "the count that was made is of its own night: %s is %s", x.Window.Opens.Day, x.State)
	}
	twice := one(t, at(t, "lower-terrace", tree(t, "apple")).with(frost(bloom, -3.5), frost(bloom, -5), frost(bloom, -4)).on((bloom + 1).String()), year.FrostCount)
	require.InDelta(t, -5, twice.Reasons[0].Number, 1e-9, "the coldest of what was told")
}
