export { fieldsOf, fromForm, toForm } from './convert';
export { FormFields } from './FormFields';
export { type Body, number, type Option, type Spec } from './spec';
