export * from './FormField';
export * from './serverErrors';
