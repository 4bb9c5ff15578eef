/** Under what the place that was last entered on this device is kept. */
export const lastPlaceKey = 'device/last-place'

/** Where a new case begins while no place was entered on this device. */
export const firstPlace = 'Emergency department'
