import { stemIn, stemPhotograph } from './stems';

test('a stem through the years: each year thicker in the picture, in the proportion it grew', () => {
  const known = { diameter: 0.26, in: 2026 };
  const years = [2020, 2023, 2026];
  const ground = stemPhotograph(1e-4, 180, 9);
  /** Pixels across the stem, above the ring, that are not as they are without it. */
  const across = (diameter: number) => {
    const { width, height, data } = stemPhotograph(diameter, 180, 9);
    const row = Math.round(height * 0.2);
    let count = 0;
    for (let x = 0; x < width; x++) {
      const at = 4 * (row * width + x);
      const off = [0, 1, 2].map((c) => Math.abs(data[at + c]! - ground.data[at + c]!));
      if (Math.max(...off) > 1) count++;
    }
    return count;
  };
  const diameters = years.map((year) => stemIn(year, known));
  const [first, ...seen] = diameters.map(across);
  seen.forEach((count, i) => {
    const grew = diameters[i + 1]! / diameters[0]!;
    expect(Math.abs(count / first! / grew - 1)).toBeLessThan(0.05);
  });
});
