export { fieldsOf, toForm } from './convert';
export { Fields } from './Fields';
export { RecordFoot, ToFix } from './RecordFoot';
export { RecordSheet } from './RecordSheet';
export { kindsOf, type Schema, schemaOf } from './schema';
export { type Form, number, type Option, type Spec } from './spec';
export { type RecordForm, useRecordForm } from './useRecordForm';
