/** What stands above a tree, of firm `f` and property `p`: a `House` of the core. */
export const HOUSE = `json_strip_nulls(json_build_object('firm', f.schools, 'property', p.schools, 'species', f.species, 'weather', p.weather))`;
