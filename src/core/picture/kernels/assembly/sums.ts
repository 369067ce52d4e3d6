/** The sum of the four lanes. */
export function total(lanes: v128): f64 {
  return (
    (f32x4.extract_lane(lanes, 0) as f64) +
    (f32x4.extract_lane(lanes, 1) as f64) +
    (f32x4.extract_lane(lanes, 2) as f64) +
    (f32x4.extract_lane(lanes, 3) as f64)
  );
}

/** Bytes of so many samples, and of whole numbers and shares. */
export function bytes(count: i32): usize {
  return (count as usize) << 2;
}
