import { ascii, id } from './column-types'

/** Practice: no event stream, no chain, no patient. */
export const practiceTables = {
  practice_sittings: `
    id ${id} NOT NULL,
    way VARCHAR(10) NOT NULL,
    station_id VARCHAR(60) NOT NULL,
    station LONGTEXT NOT NULL,
    begun_at DATETIME(3) NOT NULL,
    begun_by ${id} NOT NULL,
    PRIMARY KEY (id),
    KEY practice_sittings_newest (begun_at),
    KEY practice_sittings_station (station_id, begun_at)`,
  practice_candidates: `
    sitting_id ${id} NOT NULL,
    person_id ${id} NOT NULL,
    role ${ascii(10)} NULL,
    PRIMARY KEY (sitting_id, person_id),
    KEY practice_candidates_person (person_id)`,
  practice_marks: `
    sitting_id ${id} NOT NULL,
    mark_id ${id} NOT NULL,
    examiner ${id} NOT NULL,
    at_ms INT NOT NULL,
    body LONGTEXT NOT NULL,
    PRIMARY KEY (sitting_id, mark_id)`,
  practice_stations: `
    id ${id} NOT NULL,
    station LONGTEXT NOT NULL,
    by_id ${id} NOT NULL,
    at DATETIME(3) NOT NULL,
    dropped_at DATETIME(3) NULL,
    PRIMARY KEY (id)`,
  practice_groups: `
    id ${id} NOT NULL,
    name VARCHAR(80) NOT NULL,
    members LONGTEXT NOT NULL,
    set_by ${id} NOT NULL,
    PRIMARY KEY (id)`,
  practice_drills: `
    id ${id} NOT NULL,
    person_id ${id} NOT NULL,
    at DATETIME(3) NOT NULL,
    night VARCHAR(40) NOT NULL,
    seed VARCHAR(40) NOT NULL,
    result LONGTEXT NOT NULL,
    PRIMARY KEY (id),
    KEY practice_drills_person (person_id, at)`,
} as const
