package org.mobrak.desktop.parts;

/** Where an empty page sends somebody on; the window knows the way there. */
public interface Leads {
    /** To the field in which a phone is named. */
    void addPhone();

    /** To the page of readings, with the cursor where a reading is pasted. */
    void takeReading();

    /** To the plans, routes and map. */
    void ways();

    /** To the rehearsal of the chosen plan. */
    void rehearse();

    /** To the workshop, where a guide becomes a route. */
    void guide();

    /** To the routes that are for any phone. */
    void routes();

    /** To the page on which a friend's catalogue is looked at. */
    void friendsCatalogue();

    /**
     * To the workshop with an entry of the catalogue.
     *
     * @param file in the catalogue's folder
     */
    void edit(String file);
}
