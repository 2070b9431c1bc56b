package store

import "context"

// Contents reads an orchard with all that a plan is made from. Error: ErrNotFound.
func (s *Store) Contents(ctx context.Context, slug string) (*Contents, error) {
	o, err := s.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	c := &Contents{Orchard: o}
	var aside []Broken
	if c.People, aside, err = s.People(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	if c.Trees, aside, err = s.soundTrees(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	if c.Entries, aside, err = s.Entries(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	if c.Own, aside, err = s.OwnTasks(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	if c.Sky, err = s.Sky(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, c.Sky.Aside...)
	if c.Set, aside, err = s.SetDays(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	if c.Words, aside, err = s.Words(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	return c, nil
}
