package orchard

import (
	"context"
	"math"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/store"
)

// WayBody is one way to cut a limb, in words.
type WayBody struct {
	Kind     string     `json:"kind"`
	Tool     string     `json:"tool"`
	AtCM     float64    `json:"at_cm" minimum:"0" maximum:"2500"`
	Score    float64    `json:"score"`
	Share    float64    `json:"share"`
	Buds     float64    `json:"buds_within"`
	GainCM   float64    `json:"gain_cm" doc:"how much lower the limb's highest point comes"`
	Title    string     `json:"title"`
	Where    string     `json:"where"`
	Cost     string     `json:"cost"`
	Reasons  []string   `json:"reasons" nullable:"false"`
	Cautions []string   `json:"cautions" nullable:"false"`
	Place    [3]float64 `json:"place" nullable:"false" doc:"x, y, z in cm"`
	Cut      limb.CutAt `json:"cut"`
}

// mostWays is how many ways are told: the best and its runners-up.
const mostWays = 3

// Ways are how a limb could be cut for an aim, the best first; atCM is where the offending stretch of the finding starts.
func (k *Keeper) Ways(ctx context.Context, a At, id string, aim find.Aim, atCM float64) ([]WayBody, error) {
	b, kept, err := k.mapped(ctx, a)
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, err
	}
	i := m.Index(id)
	if i < 0 {
		return nil, store.ErrNotFound
	}
	b.light = b.lightOf(m)
	judge := cut.NewJudge(m, b.light, b.reading())
	out := []WayBody{}
	q := cut.Answering(id, aim, atCM)
	q.DrySummerStone = b.school.Is("stone_cut", "dry-summer")
	for _, c := range judge.Candidates(q) {
		if len(out) == mostWays {
			break
		}
		p := m.At(i, math.Max(0, c.AtCM))
		w := b.speaker.Way(c, p.Z)
		out = append(out, WayBody{
			Kind: string(c.Kind), Tool: string(c.Tool), AtCM: round1(c.AtCM), Score: c.Score, Share: math.Round(1e4*c.Share) / 1e4, Buds: round1(c.BudsWithin),
			GainCM: round1(c.GainCM), Title: w.Title, Where: w.Where, Cost: w.Cost, Reasons: append([]string{}, w.Reasons...), Cautions: append([]string{}, w.Cautions...),
			Place: [3]float64{round1(p.X), round1(p.Y), round1(p.Z)}, Cut: c.CutAt,
		})
	}
	return out, nil
}
