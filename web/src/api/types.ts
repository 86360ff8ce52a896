import type { components } from './generated/schema';

/** Names for the generated types; nothing here is written by hand but the names. */
type Schemas = components['schemas'];

export type Session = Schemas['Session'];
export type Person = Schemas['PersonView'];
export type Floor = Schemas['Floor'];
export type FloorJob = Schemas['FloorJob'];
export type Bay = Schemas['BayView'];
export type Job = Schemas['JobView'];
export type CauseShare = Schemas['CauseShare'];
export type SignWeight = Schemas['SignWeight'];
export type Drive = Schemas['Drive'];
export type Move = Schemas['Move'];
export type Place = Schemas['Place'];
export type TraceLine = Schemas['TraceLine'];
export type CourseView = Schemas['CourseView'];
export type Course = Schemas['Course'];
export type Ruling = Schemas['RulingView'];
export type Stance = Schemas['Stance'];
export type Tilt = Schemas['Tilt'];
export type Reading = Schemas['ReadingView'];
export type PageView = Schemas['PageView'];
export type Attribute = Schemas['AttributeView'];
export type IdentifyField = Schemas['FieldView'];
export type EnrolmentCode = Schemas['Code'];
