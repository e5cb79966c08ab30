// What the server can be asked, by place.
export * from "./classes";
export * from "./lesson";
export * from "./library";
export * from "./people";
export * from "./records";
export * from "./routines";
export * from "./session";
export * from "./sheet";
export * from "./students";
export * from "./studio";
export * from "./timetable";
