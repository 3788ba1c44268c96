#!/usr/bin/env node
import { pathToFileURL } from 'node:url';
import { BUILT, build, isCurrent } from './build.mjs';

if (!isCurrent()) await build();
await import(pathToFileURL(BUILT).href);
