interface Named {
  id: string
  name: string
}

/** Things of the shelf as a list has them. */
export const named = (items: readonly Named[]) => items.map((i) => ({ value: i.id, title: i.name }))

/** The same, where it may be that nobody noted it. */
export const namedOrNot = (items: readonly Named[]) => [
  { value: null, title: 'not recorded' },
  ...named(items),
]
