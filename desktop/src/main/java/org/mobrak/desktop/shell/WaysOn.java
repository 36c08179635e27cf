package org.mobrak.desktop.shell;

import org.mobrak.desktop.catalogue.CataloguePage;
import org.mobrak.desktop.fit.WaysPage;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.workshop.WorkshopPage;

/** The ways from a page on which there is nothing to where something can be done. */
record WaysOn(Shell shell) implements Leads {
    @Override
    public void addPhone() {
        shell.askForPhone();
    }

    @Override
    public void takeReading() {
        shell.takeReading();
    }

    @Override
    public void ways() {
        shell.turn(Page.WAYS, WaysPage.class).showPlans();
    }

    @Override
    public void rehearse() {
        shell.turn(Page.WAYS, WaysPage.class).showRehearsal();
    }

    @Override
    public void guide() {
        shell.open(Page.WORKSHOP);
    }

    @Override
    public void routes() {
        shell.turn(Page.WAYS, WaysPage.class).showRoutes();
    }

    @Override
    public void friendsCatalogue() {
        shell.turn(Page.CATALOGUE, CataloguePage.class).showFriends();
    }

    @Override
    public void edit(String file) {
        shell.turn(Page.WORKSHOP, WorkshopPage.class).edit(file);
    }
}
