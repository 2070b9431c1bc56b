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
	if c.Trees, err = s.Trees(ctx, o.ID); err != nil {
		return nil, err
	}
	if c.Entries, err = s.Entries(ctx, o.ID); err != nil {
		return nil, err
	}
	c.Own, err = s.OwnTasks(ctx, o.ID)
	return c, err
}
