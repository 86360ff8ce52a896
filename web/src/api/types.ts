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
export type Here = Schemas['PersonHere'];
export type Colleague = Schemas['Colleague'];
export type Notice = Schemas['NoticeView'];
export type Span = Schemas['LaneSpan'];
export type Script = Schemas['Script'];
export type Question = Schemas['Question'];
export type Option = Schemas['Option'];
export type Intake = Schemas['IntakeView'];
/** What nobody asked is not sent at all. */
export type Answers = Partial<Schemas['Answers']>;
export type DraftNote = Schemas['DraftNote'];
export type KnownThings = Schemas['KnownThings'];
export type KnownMachine = Schemas['KnownMachine'];
export type KnownCustomer = Schemas['KnownCustomer'];
export type Found = Schemas['Found'];
export type Hit = Schemas['Hit'];
export type PartLife = Schemas['PartView'];
export type CustomerLife = Schemas['CustomerView'];
export type ComplaintNow = Schemas['ComplaintNow'];
