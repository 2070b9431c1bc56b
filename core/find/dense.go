package find

// Dense is a limb with too many others close to its middle.
const Dense Code = "dense"

var dense = Rule{Code: Dense, Step: 8, Weight: 3, Aim: Open, Source: practice}

const (
	denseLeast  = 3
	denseWoodCM = 30
)

// dense: no ball can pass where a limb has this many others close to its middle.
func (f *finder) dense(i int) {
	a := &f.m.Axes[i]
	if a.L < 15 {
		return
	}
	mid := f.m.At(i, a.L/2)
	here := box{mid, mid}
	n := 0
	f.cells.near(mid, func(j int) {
		if j == i || f.m.WhollyDead(j) || !here.meets(f.boxes[j], f.o.BallCM) {
			return
		}
		if f.toPoint(j, mid) <= f.o.BallCM && f.m.WoodDistance(i, a.L/2, j, 0) >= denseWoodCM {
			n++
		}
	})
	if least := denseLeast - f.o.Airy; n >= least {
		f.tell(dense, i, 0, 0.4+0.1*float64(n-least), []Fact{num("neighbours", float64(n))}, num("neighbours", float64(least-1)))
	}
}
