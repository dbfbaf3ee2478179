import { api, ask, type Schemas } from './api/client';

type Diagnosis = Schemas['DiagnosisView'];

/** Why a bake of the Log came out as it did, by its own record. */
export const whyOfBake = (bake: string): Promise<Diagnosis> =>
  ask(api.POST('/api/diagnosis', { body: { bake, class: '', faults: [] } }));

/** What usually causes these faults of a class. */
export const whyOfFaults = (technique: string, faults: string[]): Promise<Diagnosis> =>
  ask(api.POST('/api/diagnosis', { body: { bake: '', class: technique, faults } }));

/** The faults that a class can show. */
export const faultsOf = (technique: string): Promise<Schemas['FaultView'][]> =>
  ask(api.GET('/api/diagnosis/faults', { params: { query: { class: technique } } }));
