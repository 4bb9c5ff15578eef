export const unitIds = ['cm', 'mm', 'in', 'ft', 'fw', 'deg'] as const
export const toolIds = ['tape', 'fingers', 'digital-tape', 'goniometer', 'photo'] as const
