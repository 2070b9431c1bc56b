package year

func (c *context) bears() bool { return c.tree.Bears(c.season, c.south) }

// thinned says whether the kind's fruit is thinned by hand here.
func (c *context) thinned() bool { return c.tree.Kind.Crop.HandThinned || c.tree.Wishes.ThinAnyway }
