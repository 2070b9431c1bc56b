package store

import "context"

// Contents reads an orchard with all that a plan is made from. Error: ErrNotFound.
func (s *Store) Contents(ctx context.Context, slug string) (*Contents, error) {
	o, err := s.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	c := &Contents{Orchard: o}
	if c.People, err = s.People(ctx, o.ID); err != nil {
		return nil, err
	}
	var aside []Broken
	if c.Trees, aside, err = s.soundTrees(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = aside
	if c.Entries, aside, err = s.Entries(ctx, o.ID); err != nil {
		return nil, err
	}
	c.SetAside = append(c.SetAside, aside...)
	if c.Sky, err = s.Sky(ctx, o.ID); err != nil {
		return nil, err
	}
	if c.Set, err = s.SetDays(ctx, o.ID); err != nil {
		return nil, err
	}
	c.Own, err = s.OwnTasks(ctx, o.ID)
	return c, err
}
