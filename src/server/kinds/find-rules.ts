import { caseRules, placeRules, stayRules, wardRules } from './index'
import type { CaseRules, PlaceRules, StayRules, WardRules } from './rules'

function find<Rules>(table: object, kind: string): Rules | null {
  return Object.hasOwn(table, kind) ? (table[kind as keyof typeof table] as Rules) : null
}

/** What the server does with a kind of event of a case; null where it only keeps and folds it. */
export const findCaseRules = (kind: string): CaseRules<object> | null => find(caseRules, kind)
/** As for a case, of a stay. */
export const findStayRules = (kind: string): StayRules<object> | null => find(stayRules, kind)
/** As for a case, of the ward. */
export const findWardRules = (kind: string): WardRules<object> | null => find(wardRules, kind)
/** As for a case, of a place that keeps stock. */
export const findPlaceRules = (kind: string): PlaceRules<object> | null => find(placeRules, kind)
