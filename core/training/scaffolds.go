// Package training answers the questions of forming a tree: which shoots become scaffolds, how high it may stand, where a
// leader stops, which bearing wood is renewed this year. Lengths in cm, thickness in mm, angles from vertical, azimuths from
// north. The points of a score are judgement (training.md#b-scaffold_choice).
package training

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"

	"vertumna/core/given"
	"vertumna/core/num"
)

// Scaffolds asks which of a young tree's shoots become its main limbs.
type Scaffolds struct {
	Form             string           `json:"form" in:"open-vase|low-bush|stone-frame|central-leader|modified-leader|tier-of-four"`
	LeaderDiameterMM *float64         `json:"leader_diameter_mm,omitempty" in:"? (0,1500]"`
	FirstLowCM       *float64         `json:"first_low_cm,omitempty" in:"? [10,200]"`
	WindFromDeg      *float64         `json:"wind_from_deg,omitempty" in:"? [0,360]"`
	WallDeg          *float64         `json:"wall_deg,omitempty" in:"? [0,360]"`
	PathDeg          *float64         `json:"path_deg,omitempty" in:"? [0,360]"`
	PathClearCM      *float64         `json:"path_clear_cm,omitempty" in:"? [0,500]"`  // absent: 220
	SideLimit        *float64         `json:"side_limit,omitempty" in:"? [0.2,1]"`     // absent: a half
	LeastAngleDeg    *float64         `json:"least_angle_deg,omitempty" in:"? [0,60]"` // absent: 25
	Candidates       []ScaffoldCandid `json:"candidates" in:"list 1"`
}

// ScaffoldCandid is a shoot that could become a scaffold. Fault is none, slight or bad; Keep was decided by a person.
type ScaffoldCandid struct {
	ID         string  `json:"id" in:"id"`
	AzimuthDeg float64 `json:"azimuth_deg" in:"[0,360]"`
	HeightCM   float64 `json:"height_cm" in:"[0,1000]"`
	AngleDeg   float64 `json:"angle_deg" in:"[0,180]"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	Fault      string  `json:"fault,omitempty" in:"none|slight|bad = none"`
	Keep       bool    `json:"keep,omitempty" in:"= false"`
}

// ScaffoldTerms are the penalties of a set, 100 less their sum is its score.
type ScaffoldTerms struct {
	Gap       float64 `json:"gap"`
	Vertical  float64 `json:"vertical"`
	Angle     float64 `json:"angle"`
	Thickness float64 `json:"thickness"`
	Even      float64 `json:"even"`
	Wind      float64 `json:"wind"`
	Path      float64 `json:"path"`
	Low       float64 `json:"low"`
	Fault     float64 `json:"fault"`
	Number    float64 `json:"number"`
}

func (t ScaffoldTerms) list() []TermLoss {
	return []TermLoss{
		{"gap", t.Gap},
		{"vertical", t.Vertical},
		{"angle", t.Angle},
		{"thickness", t.Thickness},
		{"even", t.Even},
		{"wind", t.Wind},
		{"path", t.Path},
		{"low", t.Low},
		{"fault", t.Fault},
		{"number", t.Number},
	}
}

func (t ScaffoldTerms) score() float64 {
	sum := 0.0
	for _, l := range t.list() {
		sum += l.Points
	}
	return 100 - sum
}

// TermLoss is what a set loses in one term.
type TermLoss struct {
	Term   string  `json:"term"`
	Points float64 `json:"points"`
}

// RunnerUp is the next best set, and where it loses.
type RunnerUp struct {
	Chosen []string   `json:"chosen"`
	Score  float64    `json:"score"`
	Loses  []TermLoss `json:"loses"`
}

// Rejected is a shoot that was refused, with the reason.
type Rejected struct {
	ID     string `json:"id"`
	Reason string `json:"reason"`
}

// ScaffoldChoice is the answer. Verdict is chosen, too_few or none.
type ScaffoldChoice struct {
	Verdict        string         `json:"verdict"`
	Chosen         []string       `json:"chosen"`
	Score          *float64       `json:"score"`
	Terms          *ScaffoldTerms `json:"terms"`
	RunnerUp       *RunnerUp      `json:"runner_up"`
	Rejected       []Rejected     `json:"rejected"`
	WidestGapDeg   *float64       `json:"widest_gap_deg"`
	FillAzimuthDeg *float64       `json:"fill_azimuth_deg"`
	Missing        int            `json:"missing"`
}

type scaffoldForm struct {
	least, preferred, most int
	apartLow, apartHigh    float64
	firstLow               float64
	leader                 bool
}

var scaffoldForms = map[string]scaffoldForm{
	"open-vase": {3, 4, 5, 8, 25, 45, false}, "low-bush": {3, 4, 5, 5, 25, 25, false}, "stone-frame": {3, 3, 4, 8, 25, 45, false},
	"central-leader": {4, 5, 6, 15, 25, 45, true}, "modified-leader": {4, 5, 6, 15, 25, 45, true}, "tier-of-four": {4, 4, 4, 5, 15, 45, true},
}

const (
	mostCandidates = 24
	hangsDeg       = 110
	wallDeg        = 45
	pathDeg        = 35
	losesFrom      = 0.5
	gapPoints      = 30
	verticalPoints = 20
	numberPoints   = 4
	anglePoints    = 20
	thickPoints    = 15
	pathPoints     = 10
	faultPoints    = 10
	evenPoints     = 5
	windPoints     = 5
	lowPoints      = 5
	leastAngleDeg  = 25
	tooThick       = 1.5 // times the limit of a side limb, beside the leader
	mostInSet      = 8   // six limbs, a wall, and one to spare
	usualPathCM    = 220
	lowOverCM      = 30
	nearWindDeg    = 45
	steepOverDeg   = 15
	flatOverDeg    = 30
)

// bestDeg are the angles from the trunk that cost nothing.
var bestDeg = within{45, 60}

// ChooseScaffolds chooses a young tree's scaffolds: every set of the form's sizes is scored. Errors: given.Faults. Cost: sets
// of the candidates, at most 24 of them.
func ChooseScaffolds(in Scaffolds) (ScaffoldChoice, error) {
	form, err := in.check()
	if err != nil {
		return ScaffoldChoice{}, err
	}
	out := ScaffoldChoice{Chosen: []string{}, Rejected: []Rejected{}}
	var left []ScaffoldCandid
	keeps := 0
	for _, c := range in.Candidates {
		if c.Keep {
			keeps++
		} else if why := in.refuses(c, form); why != "" {
			out.Rejected = append(out.Rejected, Rejected{c.ID, why})
			continue
		}
		left = append(left, c)
	}
	var best, next []ScaffoldCandid
	switch {
	case len(left) == 0:
		out.Verdict, out.Missing = "none", form.least
		return out, nil
	case len(left) < form.least:
		out.Verdict, out.Missing, best = "too_few", form.least-len(left), left
	default:
		out.Verdict = "chosen"
		if best, next = in.best(left, form, keeps); best == nil {
			return ScaffoldChoice{}, given.Faults{{Code: given.Conflict, Field: "candidates", Given: fmt.Sprintf("%d kept", keeps), Expected: fmt.Sprintf("at most %d", form.most)}}
		}
	}
	out.tell(in, form, best, next)
	return out, nil
}

func (in Scaffolds) check() (scaffoldForm, error) {
	fs := given.Check(in)
	form := scaffoldForms[in.Form]
	if in.LeaderDiameterMM == nil && form.leader {
		fs.Add(given.Missing, "leader_diameter_mm", "none", "the leader's thickness above the tier")
	}
	if n := len(in.Candidates); n > mostCandidates {
		fs.Add(given.Range, "candidates", strconv.Itoa(n), fmt.Sprintf("at most %d: mark clear losers first", mostCandidates))
	}
	return form, fs.Err()
}

func (in Scaffolds) firstLow(form scaffoldForm) float64 {
	return given.Or(in.FirstLowCM, form.firstLow)
}

func (in Scaffolds) sideLimit() float64 { return given.Or(in.SideLimit, 0.5) }

// refuses a shoot for one reason, the first that holds.
func (in Scaffolds) refuses(c ScaffoldCandid, form scaffoldForm) string {
	switch {
	case c.Fault == "bad":
		return "fault"
	case c.HeightCM < in.firstLow(form):
		return "low"
	case c.AngleDeg < given.Or(in.LeastAngleDeg, leastAngleDeg):
		return "narrow"
	case c.AngleDeg > hangsDeg:
		return "hanging"
	case in.WallDeg != nil && num.Apart(c.AzimuthDeg, *in.WallDeg) < wallDeg-num.Slack:
		return "wall"
	case form.leader && c.DiameterMM / *in.LeaderDiameterMM > tooThick*in.sideLimit()+num.Slack:
		return "thick"
	}
	return ""
}

// best scores every set of the form's sizes; a later one wins only if it is better. The runner-up is the next best.
func (in Scaffolds) best(left []ScaffoldCandid, form scaffoldForm, keeps int) (best, next []ScaffoldCandid) {
	q := in.quick(left, form)
	bestScore, nextScore := math.Inf(-1), math.Inf(-1)
	var first, second, set []int
	var grow func(from, size, kept int, own float64)
	grow = func(from, size, kept int, own float64) {
		if 100-own/float64(size)-q.number(size) <= nextScore+num.Slack { // what each costs by itself is too much already
			return
		}
		if len(set) == size {
			if kept < keeps {
				return
			}
			switch s := q.score(set); {
			case s > bestScore+num.Slack:
				second, nextScore = first, bestScore
				first, bestScore = slices.Clone(set), s
			case s > nextScore+num.Slack:
				second, nextScore = slices.Clone(set), s
			}
			return
		}
		for i := from; i <= len(left)-(size-len(set)); i++ {
			k := kept
			if left[i].Keep {
				k++
			}
			set = append(set, i)
			grow(i+1, size, k, own+q.own[i])
			set = set[:len(set)-1]
		}
	}
	for size := form.least; size <= min(form.most, len(left)); size++ {
		grow(0, size, 0, 0)
	}
	pick := func(of []int) (out []ScaffoldCandid) {
		for _, i := range of {
			out = append(out, left[i])
		}
		return out
	}
	return pick(first), pick(second)
}

// quick is a choice made ready for scoring many sets: what each candidate costs by itself, and what only a set tells.
type quick struct {
	form            scaffoldForm
	az, h, d        []float64
	own, wind       []float64 // points; own is still to be shared by the size of the set
	windy, walled   bool
	wall, firstBest float64
}

func (in Scaffolds) quick(left []ScaffoldCandid, form scaffoldForm) *quick {
	q := &quick{form: form, windy: in.WindFromDeg != nil, walled: in.WallDeg != nil, firstBest: math.Max(60, in.firstLow(form))}
	if q.walled {
		q.wall = math.Mod(*in.WallDeg, 360)
	}
	for _, c := range left {
		t := in.terms([]ScaffoldCandid{c}, form)
		q.az, q.h, q.d = append(q.az, math.Mod(c.AzimuthDeg, 360)), append(q.h, c.HeightCM), append(q.d, c.DiameterMM)
		q.own = append(q.own, t.Angle+t.Thickness+t.Path+t.Fault)
		wind := 0.0
		if q.windy {
			wind = num.Apart(c.AzimuthDeg, *in.WindFromDeg)
		}
		q.wind = append(q.wind, wind)
	}
	return q
}

func (q *quick) number(size int) float64 {
	return numberPoints * math.Abs(float64(size-q.form.preferred))
}

// score of a set, as terms gives it.
func (q *quick) score(set []int) float64 {
	var az, h [mostInSet]float64
	k := len(set)
	n, size := 0, float64(k)
	own, sum, sq, wind, lowest := 0.0, 0.0, 0.0, 180.0, math.Inf(1)
	put := func(list *[mostInSet]float64, n int, x float64) {
		for ; n > 0 && list[n-1] > x; n-- {
			list[n] = list[n-1]
		}
		list[n] = x
	}
	for j, i := range set {
		put(&az, n, q.az[i])
		put(&h, j, q.h[i])
		n++
		own, sum, sq = own+q.own[i], sum+q.d[i], sq+q.d[i]*q.d[i]
		wind, lowest = math.Min(wind, q.wind[i]), math.Min(lowest, q.h[i])
	}
	if q.walled {
		put(&az, n, q.wall)
		n++
	}
	total := own/size + q.number(k)
	equal, apart := 360/float64(n), 0.0
	for j := range n {
		gap := az[0] + 360 - az[j]
		if j < n-1 {
			gap = az[j+1] - az[j]
		}
		apart += math.Abs(gap - equal)
	}
	total += gapPoints * apart / (2 * (360 - equal))
	vertical := 0.0
	for j := 1; j < k; j++ {
		switch v := h[j] - h[j-1]; {
		case v < q.form.apartLow:
			vertical += (q.form.apartLow - v) / q.form.apartLow
		case v > q.form.apartHigh:
			vertical += math.Min(1, (v-q.form.apartHigh)/q.form.apartHigh)
		}
	}
	total += verticalPoints * vertical / math.Max(1, size-1)
	mean := sum / size
	total += evenPoints * uneven(mean, sq/size)
	if q.windy {
		total += windPoints * offWind(wind)
	}
	return 100 - total - lowPoints*num.Clamp((lowest-q.firstBest)/lowOverCM, 0, 1)
}

// uneven is how far limbs differ in thickness, 0 to 1, by the mean and the mean square.
func uneven(mean, square float64) float64 {
	return math.Min(1, math.Sqrt(math.Max(0, square-mean*mean))/mean/0.5)
}

// offWind is how far the limb nearest to the wind stands from it, 0 to 1.
func offWind(deg float64) float64 { return num.Clamp((deg-nearWindDeg)/(180-nearWindDeg), 0, 1) }

func (in Scaffolds) terms(set []ScaffoldCandid, form scaffoldForm) ScaffoldTerms {
	k := float64(len(set))
	t := ScaffoldTerms{Gap: gapPoints * unevenness(in.azimuths(set)), Number: numberPoints * math.Abs(k-float64(form.preferred))}
	heights, lowest := make([]float64, len(set)), math.Inf(1)
	sum, sq := 0.0, 0.0
	nearestWind := 180.0
	for i, c := range set {
		heights[i], lowest = c.HeightCM, math.Min(lowest, c.HeightCM)
		sum, sq = sum+c.DiameterMM, sq+c.DiameterMM*c.DiameterMM
		switch {
		case c.AngleDeg < bestDeg.least:
			t.Angle += anglePoints / k * math.Min(1, (bestDeg.least-c.AngleDeg)/steepOverDeg)
		case c.AngleDeg > bestDeg.most:
			t.Angle += anglePoints / k * math.Min(1, 0.5*(c.AngleDeg-bestDeg.most)/flatOverDeg)
		}
		if form.leader {
			t.Thickness += thickPoints / k * num.Clamp((c.DiameterMM / *in.LeaderDiameterMM - in.sideLimit())/in.sideLimit(), 0, 1)
		}
		if in.PathDeg != nil && num.Apart(c.AzimuthDeg, *in.PathDeg) <= pathDeg+num.Slack && c.HeightCM < given.Or(in.PathClearCM, usualPathCM) {
			t.Path += pathPoints / k
		}
		if c.Fault == "slight" {
			t.Fault += faultPoints / k
		}
		if in.WindFromDeg != nil {
			nearestWind = math.Min(nearestWind, num.Apart(c.AzimuthDeg, *in.WindFromDeg))
		}
	}
	t.Vertical = verticalPoints * apartPenalty(heights, form.apartLow, form.apartHigh)
	mean := sum / k
	t.Even = evenPoints * uneven(mean, sq/k)
	if in.WindFromDeg != nil {
		t.Wind = windPoints * offWind(nearestWind)
	}
	t.Low = lowPoints * num.Clamp((lowest-math.Max(60, in.firstLow(form)))/lowOverCM, 0, 1)
	return t
}

// azimuths of a set round the trunk; a wall counts as one more limb.
func (in Scaffolds) azimuths(set []ScaffoldCandid) []float64 {
	var az []float64
	for _, c := range set {
		az = append(az, c.AzimuthDeg)
	}
	if in.WallDeg != nil {
		az = append(az, *in.WallDeg)
	}
	return az
}

func (out *ScaffoldChoice) tell(in Scaffolds, form scaffoldForm, best, next []ScaffoldCandid) {
	terms := in.terms(best, form)
	score := terms.score()
	out.Chosen, out.Terms, out.Score = names(best), &terms, &score
	from, gap := gapsOf(in.azimuths(best))
	widest := 0
	for i := range gap {
		if gap[i] > gap[widest]+num.Slack {
			widest = i
		}
	}
	fill := math.Mod(from[widest]+gap[widest]/2, 360)
	out.WidestGapDeg, out.FillAzimuthDeg = &gap[widest], &fill
	if next == nil {
		return
	}
	theirs := in.terms(next, form)
	out.RunnerUp = &RunnerUp{Chosen: names(next), Score: theirs.score(), Loses: []TermLoss{}}
	mine := terms.list()
	for k, l := range theirs.list() {
		if d := l.Points - mine[k].Points; d >= losesFrom-num.Slack {
			out.RunnerUp.Loses = append(out.RunnerUp.Loses, TermLoss{l.Term, d})
		}
	}
	slices.SortStableFunc(out.RunnerUp.Loses, func(a, b TermLoss) int { return cmp.Compare(b.Points, a.Points) })
}

// names lists a set from low to high.
func names(set []ScaffoldCandid) []string {
	sorted := slices.Clone(set)
	slices.SortStableFunc(sorted, func(a, b ScaffoldCandid) int { return cmp.Compare(a.HeightCM, b.HeightCM) })
	out := make([]string, len(sorted))
	for i, c := range sorted {
		out[i] = c.ID
	}
	return out
}
