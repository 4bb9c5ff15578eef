// Ids that the examples refer to each other by.
export const exampleRunId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fe8'
export const exampleEpisodeId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fe9'
export const exampleCaseId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fea'
export const exampleInjuryId = '01a21089-7e89-7d7d-8dbd-a7fc9a943feb'
export const exampleId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fec'
