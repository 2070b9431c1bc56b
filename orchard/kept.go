package orchard

import (
	"encoding/json"
	"fmt"
	"hash/fnv"
	"time"

	lru "github.com/hashicorp/golang-lru/v2"
	"golang.org/x/sync/singleflight"
)

// kept are things of a kind that were worked out, by all that they were made from. What was not asked for longest gives way; what many
// ask for at once is made once.
type kept[K comparable, V any] struct {
	known  *lru.Cache[K, V]
	making singleflight.Group
	most   *time.Duration // that one is waited for; nil: as long as it takes
}

// keep makes room for so many.
func keep[K comparable, V any](most int) *kept[K, V] {
	known, err := lru.New[K, V](most)
	if err != nil {
		panic(err) // a size that is none
	}
	return &kept[K, V]{known: known}
}

// atMost sets how long one is waited for: the others of its kind are not kept waiting for it.
func (c *kept[K, V]) atMost(d *time.Duration) *kept[K, V] {
	c.most = d
	return c
}

// of is what a key stands for: as kept, else worked out now. What fails is not kept: asked again, it is tried again.
func (c *kept[K, V]) of(key K, work func() (V, error)) (V, error) {
	if have, ok := c.known.Get(key); ok {
		return have, nil
	}
	made, err, _ := c.making.Do(inShort(fmt.Sprintf("%+v", key)), func() (any, error) {
		if have, ok := c.known.Get(key); ok {
			return have, nil
		}
		most := time.Duration(0)
		if c.most != nil {
			most = *c.most
		}
		return within(most, func() (V, error) {
			out, err := work()
			if err == nil {
				c.known.Add(key, out)
			}
			return out, err
		})
	})
	out, _ := made.(V)
	return out, err
}

// inShort is a short text of some values: the same values, the same text.
func inShort(values ...any) string {
	h := fnv.New128a()
	if err := json.NewEncoder(h).Encode(values); err != nil {
		return fmt.Sprint(time.Now().UnixNano()) // a number that JSON has no text for: never the same
	}
	return fmt.Sprintf("%x", h.Sum(nil))
}
