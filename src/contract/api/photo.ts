/** A photo of a case; its pixels come from its own address. */
export interface PhotoInfo {
  readonly id: string
  readonly width: number
  readonly height: number
  readonly by: string
  /** ISO 8601 UTC. */
  readonly at: string
}
