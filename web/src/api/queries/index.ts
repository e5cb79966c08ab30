// What the server can be asked, by place. Records are asked for by name (./records): a family's
// phone has no use for them.
export * from "./classes";
export * from "./lesson";
export * from "./library";
export * from "./people";
export * from "./routines";
export * from "./session";
export * from "./sheet";
export * from "./students";
export * from "./studio";
export * from "./timetable";
