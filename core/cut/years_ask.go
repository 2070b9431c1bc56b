package cut

import (
	"vertumna/core/find"
	"vertumna/core/limb"
)

// winterPart is the part of the level that a winter's slip may use.
func (y Years) winterPart(n int) float64 {
	switch {
	case y.Options.AimFirst: // as the slip of the day has it
		return y.Options.Part
	case y.NoSummer:
		return 1
	case n == 0:
		return firstWinter
	}
	return laterWinters
}

// ask is what a slip is made under.
type ask struct {
	Options
	reading find.Reading
}

// winter is what a year's winter slip is made under; later: what a person says now does not hold for it.
func (y Years) winter(n int, later bool) ask {
	a := ask{y.Options, y.Reading}
	switch {
	case n == 0:
	case y.In != nil:
		a.Options, a.reading.Options = y.In(n, limb.Dormant)
		a.YearsOn = later
		return a
	default:
		a.Used, a.BigUsed, a.ZonesUsed, a.Left, a.Instead = 0, 0, [3]float64{}, nil, nil
		if a.NoLeaf == NotThisYear {
			a.NoLeaf = ""
		}
	}
	if later {
		a.YearsOn, a.reading.Options.Day = true, endOfDays
	}
	a.HeightFirst, a.Part = n > 0 && !a.AimFirst, y.winterPart(n)
	return a
}

// summer is what the summer slip after a winter's is made under.
func (y Years) summer(n int, later bool, winter ask, made *Slip) ask {
	a := winter
	if y.In != nil {
		a.Options, a.reading.Options = y.In(n, limb.Summer)
		a.YearsOn = later
	} else {
		a.Left, a.Instead, a.reading.Options.Harvested = nil, nil, false
		a.Options = a.inLeaf()
	}
	a.Used, a.BigUsed, a.ZonesUsed = made.Account, made.BigWounds, made.ZonesTaken()
	return a
}

// inLeaf are options for a summer slip.
func (o Options) inLeaf() Options {
	o.Part = 1
	return o.WithoutLeafCut(o.NoLeaf, limb.Summer)
}
