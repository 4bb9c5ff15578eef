/**
 * Skin area of a limb segment taken as a cone frustum (geometry):
 * ½·(C1+C2)·√(h² + ((C1−C2)/2π)²).
 * @param girthACm girth at one end, cm, 0 or more
 * @param girthBCm girth at the other end, cm, 0 or more
 * @param heightCm distance between them along the limb, cm, 0 or more
 * @returns cm²
 * @example frustumArea(22, 37, 20) // 594.2
 */
export function frustumArea(girthACm: number, girthBCm: number, heightCm: number): number {
  return 0.5 * (girthACm + girthBCm) * Math.hypot(heightCm, (girthACm - girthBCm) / (2 * Math.PI))
}
