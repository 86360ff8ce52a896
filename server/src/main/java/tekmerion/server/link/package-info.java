/** The server's end of the bench link: enrolment, the socket, applying events exactly once. */
package tekmerion.server.link;
