/** A unit as people read it; packs and commands write degC. */
export function shownUnit(unit: string): string {
  return unit === 'degC' ? '°C' : unit;
}
