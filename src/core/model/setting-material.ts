/** Materials that set, by their stock id. */
export const settingMaterials = ['plaster-extra-fast', 'plaster-fast', 'plaster-slow', 'padded-fibreglass', 'fibreglass-roll'] as const
export type SettingMaterial = (typeof settingMaterials)[number]
