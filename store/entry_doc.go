package store

import (
	"bytes"
	"encoding/json"
	"maps"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/training"
)

// entryDoc is an entry as it is kept: what every entry has, and the parts that its kind brings. On the wire the parts lie side
// by side (Entry).
type entryDoc struct {
	ID        string      `json:"id"`
	Created   string      `json:"created"`
	TreeID    string      `json:"tree_id,omitempty"`
	Date      almanac.Day `json:"date"`
	Season    int         `json:"season"`
	Kind      string      `json:"kind"`
	Corrects  string      `json:"corrects,omitempty"`
	Who       string      `json:"who,omitempty"`
	Minutes   float64     `json:"minutes,omitempty"`
	Reason    string      `json:"reason,omitempty"`
	Note      string      `json:"note,omitempty"`
	Weather   *Weather    `json:"weather,omitempty"`
	TreeStage string      `json:"tree_stage,omitempty"`
	School    string      `json:"school,omitempty"`
	SchoolOwn string      `json:"school_own,omitempty"`

	Job    *jobPart           `json:"job,omitempty"`
	Cut    *cutPart           `json:"cut,omitempty"`
	Rig    *rigPart           `json:"rig,omitempty"`
	Graft  *graftPart         `json:"graft,omitempty"`
	Trial  *training.TrialLog `json:"trial,omitempty"`
	Size   *sizePart          `json:"size,omitempty"`
	Crop   *cropPart          `json:"crop,omitempty"`
	Health *healthPart        `json:"health,omitempty"`
	Seen   *seenPart          `json:"seen,omitempty"`
	Tests  map[string]string  `json:"tests,omitempty"`
	Slip   *SlipChoice        `json:"slip,omitempty"`
}

// The parts of an entry.
type (
	jobPart struct {
		Task    string `json:"task,omitempty"`
		TaskID  string `json:"task_id,omitempty"`
		Outcome string `json:"outcome,omitempty"`
		Grade   string `json:"grade,omitempty"`
	}
	cutPart struct {
		Share    float64      `json:"share,omitempty"`
		Zones    *[3]float64  `json:"zones,omitempty"`
		MM       []float64    `json:"mm,omitempty"`
		Count    int          `json:"count,omitempty"`
		FreeOnly bool         `json:"free_only,omitempty"`
		Headed   bool         `json:"headed,omitempty"`
		OpensSun bool         `json:"opens_sun,omitempty"`
		HeadedCM float64      `json:"headed_cm,omitempty"`
		Made     []limb.CutAt `json:"made,omitempty"`
		Map      int          `json:"map_revision,omitempty"`
		Carried  []Carried    `json:"carried,omitempty"`
	}
	rigPart struct {
		Device string           `json:"device,omitempty"`
		Act    *training.RigAct `json:"act,omitempty"`
	}
	graftPart struct {
		Packing string             `json:"packing,omitempty"`
		Made    *training.GraftLog `json:"made,omitempty"`
	}
	sizePart struct {
		HeightM float64 `json:"height_m,omitempty"`
		SpreadM float64 `json:"spread_m,omitempty"`
		TrunkMM float64 `json:"trunk_mm,omitempty"`
		ShootCM float64 `json:"shoot_cm,omitempty"`
	}
	cropPart struct {
		Kilos float64   `json:"kilos,omitempty"`
		Fruit int       `json:"fruit,omitempty"`
		More  *Fruiting `json:"more,omitempty"`
	}
	healthPart struct {
		Agent     string `json:"agent,omitempty"`
		Count     int    `json:"count,omitempty"`
		Treatment string `json:"treatment,omitempty"`
	}
	seenPart struct {
		Stage string  `json:"stage,omitempty"`
		TminC float64 `json:"tmin_c,omitempty"`
	}
)

// UnmarshalJSON refuses what is no part of an entry: one of an older shape that could not be brought on is set aside, not read in half.
func (d *entryDoc) UnmarshalJSON(body []byte) error {
	type plain entryDoc
	in := json.NewDecoder(bytes.NewReader(body))
	in.DisallowUnknownFields()
	return in.Decode((*plain)(d))
}

// keep parts an entry for keeping.
func (e *Entry) keep() entryDoc {
	return entryDoc{
		ID: e.ID, Created: e.Created, TreeID: e.TreeID, Date: e.Date, Season: e.Season, Kind: e.Kind, Corrects: e.Corrects, Who: e.Who,
		Minutes: e.Minutes, Reason: e.Reason, Note: e.Note, Weather: e.Weather, TreeStage: e.TreeStage, School: e.School, SchoolOwn: e.SchoolOwn,
		Job: held(jobPart{e.Task, e.TaskID, e.Outcome, e.Grade}),
		Cut: held(cutPart{
			e.Share, e.Zones, e.CutMM, e.Cuts, e.FreeOnly, e.Headed, e.OpensSun, e.HeadedCM, e.Made, e.Map, e.Carried,
		}),
		Rig:    held(rigPart{e.Device, e.Rig}),
		Graft:  held(graftPart{e.Packing, e.Grafted}),
		Trial:  e.Trial,
		Size:   held(sizePart{e.HeightM, e.SpreadM, e.TrunkMM, e.ShootCM}),
		Crop:   held(cropPart{e.Kilos, e.Fruit, e.Fruiting}),
		Health: held(healthPart{e.Agent, e.Count, e.Treatment}),
		Seen:   held(seenPart{e.Stage, e.TminC}),
		Tests:  e.EndTests,
		Slip:   e.Slip,
	}
}

// partsOf are the parts that an entry of a kind may have, besides what every entry has.
var partsOf = map[string][]string{
	"work":        {"job", "cut", "device", "graft", "trial", "size", "crop", "stage", "health"},
	"observed":    {"stage"},
	"measured":    {"size", "crop"},
	"frost-night": {"frost"},
	"seen":        {"health"},
	"treatment":   {"health"},
	"trouble":     {"job", "crop", "health"},
	"end-tests":   {"end tests"},
	"slip":        {"slip", "job"},
	"note":        {},
	"void":        {},
}

// parts are the parts that an entry has, each with a field of it.
func (e *Entry) parts() map[string]string {
	out := map[string]string{}
	has := func(part, field string, there bool) {
		if there && out[part] == "" {
			out[part] = field
		}
	}
	has("job", "task", e.Task != "")
	has("job", "outcome", e.Outcome != "")
	has("cut", "share", e.Share != 0)
	has("cut", "zones", e.Zones != nil)
	has("cut", "cut_mm", len(e.CutMM) > 0)
	has("cut", "cuts", e.Cuts != 0)
	has("cut", "headed_cm", e.HeadedCM != 0)
	has("cut", "made", len(e.Made) > 0)
	has("cut", "carried", len(e.Carried) > 0)
	has("cut", "headed", e.Headed)
	has("cut", "free_only", e.FreeOnly)
	has("cut", "opens_sun", e.OpensSun)
	has("device", "device", e.Device != "")
	has("device", "rig", e.Rig != nil)
	has("graft", "packing", e.Packing != "")
	has("graft", "grafted", e.Grafted != nil)
	has("trial", "trial", e.Trial != nil)
	has("size", "height_m", e.HeightM != 0)
	has("size", "spread_m", e.SpreadM != 0)
	has("size", "trunk_mm", e.TrunkMM != 0)
	has("size", "shoot_cm", e.ShootCM != 0)
	has("crop", "kilos", e.Kilos != 0)
	has("crop", "fruit", e.Fruit != 0)
	has("crop", "fruiting", e.Fruiting != nil)
	has("health", "agent", e.Agent != "")
	has("health", "count", e.Count != 0)
	has("health", "treatment", e.Treatment != "")
	has("stage", "stage", e.Stage != "")
	has("frost", "tmin_c", e.TminC != 0)
	has("end tests", "end_tests", len(e.EndTests) > 0)
	has("slip", "slip", e.Slip != nil)
	return out
}

// kindHas tells the parts of an entry that its kind does not have.
func (e *Entry) kindHas(fs *given.Faults) {
	may, known := partsOf[e.Kind]
	if !known { // the contract refuses it by its list of kinds
		return
	}
	has := e.parts()
	for _, part := range slices.Sorted(maps.Keys(has)) {
		if !slices.Contains(may, part) {
			fs.Add("not_of_kind", has[part], "in an entry of the kind "+e.Kind, "nothing: "+part+" is no part of that kind")
		}
	}
}

// held is a part, nil where nothing is in it.
func held[T any](part T) *T {
	if text, err := json.Marshal(part); err == nil && string(text) == "{}" {
		return nil
	}
	return &part
}

// entry lays the parts side by side.
func (d *entryDoc) entry() Entry {
	e := Entry{
		ID: d.ID, Created: d.Created, TreeID: d.TreeID, Date: d.Date, Season: d.Season, Kind: d.Kind, Corrects: d.Corrects, Who: d.Who,
		Minutes: d.Minutes, Reason: d.Reason, Note: d.Note, Weather: d.Weather, TreeStage: d.TreeStage, School: d.School, SchoolOwn: d.SchoolOwn,
		Trial: d.Trial, EndTests: d.Tests, Slip: d.Slip,
	}
	if p := d.Job; p != nil {
		e.Task, e.TaskID, e.Outcome, e.Grade = p.Task, p.TaskID, p.Outcome, p.Grade
	}
	if p := d.Cut; p != nil {
		e.Share, e.Zones, e.CutMM, e.Cuts, e.FreeOnly, e.Headed, e.OpensSun = p.Share, p.Zones, p.MM, p.Count, p.FreeOnly, p.Headed, p.OpensSun
		e.HeadedCM, e.Made, e.Map, e.Carried = p.HeadedCM, p.Made, p.Map, p.Carried
	}
	if p := d.Rig; p != nil {
		e.Device, e.Rig = p.Device, p.Act
	}
	if p := d.Graft; p != nil {
		e.Packing, e.Grafted = p.Packing, p.Made
	}
	if p := d.Size; p != nil {
		e.HeightM, e.SpreadM, e.TrunkMM, e.ShootCM = p.HeightM, p.SpreadM, p.TrunkMM, p.ShootCM
	}
	if p := d.Crop; p != nil {
		e.Kilos, e.Fruit, e.Fruiting = p.Kilos, p.Fruit, p.More
	}
	if p := d.Health; p != nil {
		e.Agent, e.Count, e.Treatment = p.Agent, p.Count, p.Treatment
	}
	if p := d.Seen; p != nil {
		e.Stage, e.TminC = p.Stage, p.TminC
	}
	return e
}

// readEntry reads an entry as it is kept.
func readEntry(body string) (*Entry, error) {
	var d entryDoc
	if err := json.Unmarshal([]byte(body), &d); err != nil {
		return nil, err
	}
	e := d.entry()
	return &e, nil
}

// entryInParts brings an entry of shape 1, whose parts lay side by side, to shape 2.
func entryInParts(body []byte) ([]byte, error) {
	var e Entry
	if err := json.Unmarshal(body, &e); err != nil {
		return nil, err
	}
	return json.Marshal(e.keep())
}
